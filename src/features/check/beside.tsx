import { useState } from 'react';
import { checksOf, type CheckSetting } from '@/core/gauging/checks-of';
import type { HolePlan } from '@/core/hole/hole-plan';
import { sectionOf } from '@/core/hole/section';
import type { BenchKind, BodyOf } from '@/core/run/bench-record';
import type { Display } from '@/core/units/show';
import { CoreSample } from '@/ui/drawings/core-sample';
import { later } from '@/ui/later';
import { DeviationPlot, type Deviation } from './deviation-plot';
import { PhotoKept } from './photo-kept';

const PhotoPanel = later(() => import('./photo-panel'));

interface Props {
  jobId: string;
  part: number;
  plan: HolePlan | undefined;
  setting: CheckSetting | undefined;
  deviations: readonly Deviation[];
  /** Id of the photograph that was recorded of this hole. */
  photo: string | undefined;
  display: Display;
  record: <K extends BenchKind>(kind: K, body: BodyOf<K>) => void;
}

/** The hole as it should be, where the holes of the part came to lie, and a photograph to measure on. */
export function Beside({ jobId, part, plan, setting, deviations, photo, display, record }: Props) {
  const [photographing, setPhotographing] = useState(false);
  return (
    <aside className="flex min-w-0 flex-col gap-3">
      {plan && (
        <section aria-label="Section" className="dye h-72 p-2">
          <CoreSample section={sectionOf(plan)} display={display} />
        </section>
      )}
      <section aria-label="Positions" className="dye p-2">
        <h2 className="font-cond text-lg font-semibold">Positions of part {part}</h2>
        <DeviationPlot deviations={deviations} display={display} />
      </section>
      {photo && <PhotoKept key={photo} jobId={jobId} recordId={photo} />}
      {setting?.drawn &&
        (photographing ? (
          <PhotoPanel
            display={display}
            onKeep={(image, off) => {
              const { drawn } = setting;
              record('photo', { part, image, dxMm: off.x, dyMm: off.y });
              const check = plan && checksOf(plan, setting).find((c) => c.kind === 'position');
              if (drawn && check) {
                const values = { x: drawn.x + off.x, y: drawn.y + off.y };
                const verdict = check.judge(values).state;
                record('checked', { part, check: 'position', values, verdict, instrument: 'photograph' });
              }
              setPhotographing(false);
            }}
          />
        ) : (
          <button type="button" className="btn" onClick={() => setPhotographing(true)}>
            Position from a photograph
          </button>
        ))}
    </aside>
  );
}
