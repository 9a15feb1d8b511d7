'use client';

import { useMemo, useState } from 'react';
import type { Job } from '@/contracts/job';
import { wholeShop, type Shop } from '@/core/shop/shop';
import type { DrillPool } from '@/core/drills/drill-sets';
import { facesOf, type FaceId, type Point } from '@/core/layout/part';
import { readCallout } from '@/core/threads/read-callout';

import { useHeight } from '@/ui/use-height';
import type { ScribedLine } from '@/ui/drawings/face-figures';
import { PlateDrawing } from '@/ui/drawings/plate';
import { SelectField, TextField } from '@/ui/field';
import { useDraft } from '@/ui/use-draft';
import { JobBar } from '../job-store/job-bar';
import { AddLine, FeatureTable, lineDraft } from './feature-table';
import { ghostsOf } from './ghosts';
import { useJobUnits } from '../job-store/use-job-units';
import { Follows } from './follows';
import { Moments } from './moments';
import { usePlaceEdits } from './use-place-edits';
import { planOfFeature, usePlate } from './use-plate';
import { usePunchMarks } from './use-punch';

interface Props {
  job: Job;
  machineId: string;
  /** The shop with its crib; the usual sets are known here. */
  shop: Omit<Shop, 'pools'> & { crib: DrillPool };
}

/** From the drawing to lines on metal: enter the features, see them on the dyed face, get the numbers to set. */
export function PlateView({ job, machineId, shop: shopHere }: Props) {
  const shop = useMemo<Shop>(() => wholeShop(shopHere), [shopHere]);
  const state = usePlate(job, shop);
  const display = useJobUnits(state.inHand);
  const { plan, laid, face, selection, changeHole } = state;
  const [placing, setPlacing] = useDraft(`${job.id} place`);
  const [focus, setFocus] = useState<Point>();
  const [lit, setLit] = useState<ScribedLine>();
  const letters = useMemo(() => new Map(plan.holes.map((h) => [h.id, h.letter])), [plan.holes]);
  const chosen = plan.holes.filter((h) => selection.has(h.id));

  const { move, addAt, copy, remove } = usePlaceEdits(state, { placing, machineId, display });
  const [line] = useDraft(lineDraft(job.id));
  const ghosts = useMemo(() => ghostsOf(line, display, laid, plan.holes), [line, display, laid, plan.holes]);
  const marks = usePunchMarks(job.id, laid.holes, (featureId) => planOfFeature(state, featureId));
  const punched = marks.judged.map(({ hole, verdict }) => ({ at: hole.onFace, isOff: verdict.verdict !== 'inside' }));
  const height = useHeight(190);
  const placeable = placing.trim() !== '' && readCallout(placing).ok;
  return (
    <main id="main" className="mx-auto flex max-w-[1900px] flex-col gap-2 p-2 sm:px-4">
      <JobBar inHand={state.inHand} view="plate">
        <SelectField label="Face" value={face} onChange={(f) => state.setFace(f as FaceId)} className="w-36">
          {facesOf(plan.part.stock).map((f) => (
            <option key={f} value={f}>
              {f} ({plan.holes.filter((h) => h.face === f).length})
            </option>
          ))}
        </SelectField>
        <TextField
          label="Click to place"
          value={placing}
          onChange={setPlacing}
          placeholder="M5 THRU"
          className="w-40"
        />
      </JobBar>
      <div className="grid gap-2 lg:grid-cols-[330px_minmax(0,1fr)_330px] 2xl:grid-cols-[380px_minmax(0,1fr)_420px]">
        <section aria-label="Features" className="plate order-2 flex min-w-0 flex-col gap-2 p-2.5 lg:order-1">
          <AddLine state={state} display={display} machineId={machineId} />
          <FeatureTable state={state} display={display} />
          {chosen.length > 0 && (
            <div className="flex flex-wrap gap-1.5 border-t border-steel-300 pt-2">
              <button type="button" className="btn h-9" onClick={() => copy('mirror')}>
                Mirror
              </button>
              <button type="button" className="btn h-9" onClick={() => copy('offset')}>
                Chain
              </button>
              {chosen.length === 1 && (
                <Follows
                  key={chosen[0].id}
                  hole={chosen[0]}
                  letters={letters}
                  onChange={(next) => changeHole(next.id, () => next)}
                />
              )}
            </div>
          )}
        </section>
        <div className="order-1 min-w-0 lg:order-2">
          <PlateDrawing
            laid={laid}
            letters={letters}
            selection={selection}
            onSelect={(ids) => {
              state.setSelection(ids);
              setFocus(undefined);
            }}
            onMove={(step) => move(selection, step)}
            onPlace={placeable ? addAt : undefined}
            onRemove={() => remove(selection)}
            height={Math.max(600, height)}
            fit={face}
            focus={focus}
            lit={lit}
            onLine={setLit}
            display={display}
            ghosts={ghosts}
            punched={punched}
            unrolled={face === 'side' && laid.shape.kind === 'rectangle'}
          />
        </div>
        <Moments
          state={state}
          letters={letters}
          display={display}
          machineId={machineId}
          isNew={job.holes.length === 0}
          lit={lit}
          onLit={setLit}
          onFocus={setFocus}
          move={move}
        />
      </div>
    </main>
  );
}
