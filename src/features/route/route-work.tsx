'use client';

import type { Machine, MachineKind } from '@/core/cutting/machine';
import type { FaceId, FaceShape } from '@/core/layout/part';
import { nameOfSetUp } from '@/core/route/batch';
import { partsOf, type Route, type RouteSetUp, type Visit } from '@/core/route/route';
import { HeldPart } from '@/ui/drawings/held-part';
import { ToolShape } from '@/ui/drawings/tool-shape';

interface Props {
  route: Route;
  machines: readonly Pick<Machine, 'id' | 'kind'>[];
  shapeOf: (face: FaceId) => FaceShape | undefined;
  chosen?: string;
  onChoose: (visit: string) => void;
}

const minutes = (s: number): string => (s < 90 ? `${Math.round(s)} s` : `${(s / 60).toFixed(0)} min`);
/** From here on a visit’s time is said, s. */
const WORTH_SAYING_S = 60;

/** The work itself: the part as it is held in each set-up, and the tools in the order in which they are fetched. */
export function RouteWork({ route, machines, shapeOf, chosen, onChoose }: Props) {
  return (
    <section aria-label="The work" className="dye p-2">
      <p className="px-1 font-cond text-lg">{minutes(route.seconds)} for all parts</p>
      <ol className="flex flex-wrap gap-2">
        {route.setUps.map((setUp, i) => (
          <li key={setUp.key} className="min-w-0 rounded-sm border border-dye-500 bg-dye-950/40 p-2 max-sm:w-full">
            <SetUpWork
              setUp={setUp}
              number={i + 1}
              parts={partsOf(setUp, route.quantity)}
              shape={setUp.face && shapeOf(setUp.face)}
              machine={machines.find((m) => m.id === setUp.machine?.id)?.kind}
              chosen={chosen}
              onChoose={onChoose}
            />
          </li>
        ))}
      </ol>
    </section>
  );
}

interface SetUpWorkProps extends Pick<Props, 'chosen' | 'onChoose'> {
  setUp: RouteSetUp;
  number: number;
  parts: number;
  shape: FaceShape | undefined;
  machine: MachineKind | undefined;
}

function SetUpWork({ setUp, number, parts, shape, machine, chosen, onChoose }: SetUpWorkProps) {
  return (
    <>
      <h2 className="font-cond text-[17px] leading-tight font-semibold">
        {number} {nameOfSetUp(setUp)}
        <span className="ml-2 font-normal text-dye-200">{minutes(setUp.seconds)}</span>
      </h2>
      <div className="flex flex-wrap items-start gap-x-1">
        <div className="w-32 shrink-0">
          <HeldPart machine={machine} shape={shape} tiltDeg={setUp.tiltDeg} />
        </div>
        {setUp.visits.map((visit) => (
          <Tool
            key={visit.key}
            visit={visit}
            seconds={visit.workS * parts}
            isChosen={visit.key === chosen}
            onChoose={onChoose}
          />
        ))}
      </div>
    </>
  );
}

interface ToolProps {
  visit: Visit;
  seconds: number;
  isChosen: boolean;
  onChoose: (visit: string) => void;
}

function Tool({ visit, seconds, isChosen, onChoose }: ToolProps) {
  const { tool, items, key } = visit;
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      onClick={() => onChoose(key)}
      className={`flex w-[84px] flex-col items-center rounded-sm px-1 py-1 text-center font-cond text-[14px] leading-tight ${
        isChosen ? 'bg-scribe text-ink' : 'text-scribe hover:bg-dye-700'
      }`}
    >
      <ToolShape code={items[0].code} className={`h-14 ${isChosen ? 'text-ink' : 'text-brass'}`} />
      <span className="line-clamp-3">{tool}</span>
      <span className={isChosen ? '' : 'text-dye-200'}>
        × {items.length}
        {seconds >= WORTH_SAYING_S && `, ${minutes(seconds)}`}
      </span>
    </button>
  );
}
