'use client';

import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Job } from '@/contracts/job';
import { BLANK_FORM } from '@/core/hole/form';
import type { Result } from '@/core/answer/answer';
import type { HolePlan } from '@/core/hole/hole-plan';
import { wholeShop, type Shop } from '@/core/shop/shop';
import type { DrillPool } from '@/core/drills/drill-sets';
import { movePlace } from '@/core/layout/move-place';
import { facesOf, toDatum, type FaceId, type Point } from '@/core/layout/part';
import { readCallout } from '@/core/threads/read-callout';

import { useHeight } from '@/ui/use-height';
import { PlateDrawing, type ScribedLine } from '@/ui/drawings/plate';
import { SelectField, TextField } from '@/ui/field';
import { TabBar } from '@/ui/tab-bar';
import { useTab } from '@/ui/use-tab';
import { useDraft } from '@/ui/use-draft';
import { JobBar } from '../job-store/job-bar';
import { AngledPanel } from './angled-panel';
import { DialsPanel } from './dials-panel';
import { AddLine, FeatureTable } from './feature-table';
import { MeansPanel } from './means-panel';
import { PartPanel } from './part-panel';
import { PunchPanel } from './punch-panel';
import { RoomPanel } from './room-panel';
import { SheetPanel } from './sheet-panel';
import { TransferPanel } from './transfer-panel';
import { useJobUnits } from '../job-store/use-job-units';
import { usePlate } from './use-plate';

interface Props {
  job: Job;
  machineId: string;
  /** The shop with its crib; the usual sets are known here. */
  shop: Omit<Shop, 'pools'> & { crib: DrillPool };
}

const TABS = [
  ['part', 'Part'],
  ['layout', 'Lay out'],
  ['scribe', 'Scribe'],
  ['punch', 'Punch'],
  ['files', 'Files'],
] as const;
/** What is open first where there is something to scribe. */
const FROM_SCRIBE = [TABS[2], ...TABS.filter(([id]) => id !== 'scribe')] as const;
const LAYOUT_TABS = [
  ['room', 'What fits'],
  ['means', 'How to lay out'],
  ['angled', 'Angled'],
] as const;
const SCRIBE_TABS = [
  ['heights', 'Heights'],
  ['dials', 'Dials'],
] as const;

/** From the drawing to lines on metal: enter the features, see them on the dyed face, get the numbers to set. */
export function PlateView({ job, machineId, shop: shopHere }: Props) {
  const shop = useMemo<Shop>(() => wholeShop(shopHere), [shopHere]);
  const state = usePlate(job, shop);
  const display = useJobUnits(state.inHand);
  const { plan, laid, face, selection, edit, changeHole } = state;
  const [placing, setPlacing] = useDraft(`${job.id} place`);
  const [focus, setFocus] = useState<Point>();
  const [lit, setLit] = useState<ScribedLine>();
  // A new job is asked for the size of its part first.
  const tab = useTab(job.holes.length === 0 ? TABS : FROM_SCRIBE);
  const layoutTab = useTab(LAYOUT_TABS, 'layout');
  const scribeTab = useTab(SCRIBE_TABS, 'scribe');
  const letters = useMemo(() => new Map(plan.holes.map((h) => [h.id, h.letter])), [plan.holes]);
  const wrong = laid.faults.count + state.inside.count + laid.problems.length;
  const planOf = (featureId: string): Result<HolePlan> | undefined => {
    const hole = plan.holes.find((h) => h.id === featureId);
    return hole && state.planner.plan(hole, state.inHand.job);
  };
  const chosen = plan.holes.filter((h) => selection.has(h.id));

  /** A step on the face, in the signs of the datum. */
  function move(ids: ReadonlySet<string>, step: Point): void {
    const round = laid.shape.kind === 'circle';
    const by = {
      x: round || laid.datum.x === 'left' ? step.x : -step.x,
      y: round || laid.datum.y === 'bottom' ? step.y : -step.y,
    };
    edit((p) => ({
      ...p,
      holes: p.holes.map((h) => (ids.has(h.id) && h.place ? { ...h, place: movePlace(h.place, by) } : h)),
    }));
  }
  function addAt(at: Point): void {
    const place = toDatum(at, laid.shape, laid.datum);
    const half = (v: number): number => Math.round(v * 2) / 2;
    const id = uuidv7();
    edit((p) => ({
      ...p,
      holes: [
        ...p.holes,
        {
          id,
          name: '',
          face,
          place: { kind: 'point', x: half(place.x), y: half(place.y) },
          question: { ...BLANK_FORM, callout: placing, machine: machineId, units: display },
        },
      ],
    }));
    state.setSelection(new Set([id]));
  }
  function copy(kind: 'mirror' | 'offset'): void {
    const middle = laid.shape.kind === 'circle' ? 0 : laid.shape.widthMm / 2;
    const copies = chosen.map((h) => ({
      ...h,
      id: uuidv7(),
      name: '',
      place: kind === 'mirror' ? { kind, of: h.id, axis: 'x' as const, at: middle } : { kind, of: h.id, dx: 20, dy: 0 },
    }));
    edit((p) => ({ ...p, holes: [...p.holes, ...copies] }));
    state.setSelection(new Set(copies.map((h) => h.id)));
  }

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
            onRemove={() => edit((p) => ({ ...p, holes: p.holes.filter((h) => !selection.has(h.id)) }))}
            height={Math.max(600, height)}
            fit={face}
            focus={focus}
            lit={lit}
            onLine={setLit}
            unrolled={face === 'side' && laid.shape.kind === 'rectangle'}
          />
        </div>
        <Tabs.Root {...tab} className="plate order-3 min-w-0 p-2.5">
          <TabBar
            label="Moments"
            tabs={TABS.map(([id, name]) => [
              id,
              <>
                {name}
                {id === 'layout' && wrong > 0 && <span className="text-danger"> {wrong}</span>}
              </>,
            ])}
          />
          <Tabs.Content value="part">
            <PartPanel state={state} display={display} />
          </Tabs.Content>
          <Tabs.Content value="layout">
            <Tabs.Root {...layoutTab}>
              <TabBar
                small
                label="Lay out"
                tabs={LAYOUT_TABS.map(([id, name]) => [
                  id,
                  <>
                    {name}
                    {id === 'room' && wrong > 0 && <span className="text-danger"> {wrong}</span>}
                  </>,
                ])}
              />
              <Tabs.Content value="room">
                <RoomPanel
                  laid={laid}
                  letters={letters}
                  display={display}
                  inside={state.inside}
                  onShow={(featureId) => {
                    const hole = laid.holes.find((h) => h.featureId === featureId);
                    state.setSelection(new Set([featureId]));
                    setFocus(hole?.onFace);
                  }}
                  onJump={(holes) => {
                    state.setSelection(new Set(holes.map((i) => laid.holes[i].featureId)));
                    setFocus(laid.holes[holes[0]].onFace);
                  }}
                  onCure={(featureId, step) => {
                    move(new Set([featureId]), step);
                    setFocus(undefined);
                  }}
                />
              </Tabs.Content>
              <Tabs.Content value="means">
                <MeansPanel state={state} letters={letters} display={display} />
              </Tabs.Content>
              <Tabs.Content value="angled">
                <AngledPanel state={state} letters={letters} display={display} />
              </Tabs.Content>
            </Tabs.Root>
          </Tabs.Content>
          <Tabs.Content value="scribe">
            <Tabs.Root {...scribeTab}>
              <TabBar small label="Scribe" tabs={SCRIBE_TABS} />
              <Tabs.Content value="heights">
                <SheetPanel laid={laid} letters={letters} display={display} jobId={job.id} lit={lit} onLit={setLit} />
              </Tabs.Content>
              <Tabs.Content value="dials">
                <DialsPanel
                  laid={laid}
                  letters={letters}
                  display={display}
                  machines={shop.machines.filter((m) => m.dial)}
                />
              </Tabs.Content>
            </Tabs.Root>
          </Tabs.Content>
          <Tabs.Content value="punch">
            <PunchPanel state={state} letters={letters} display={display} planOf={planOf} />
          </Tabs.Content>
          <Tabs.Content value="files">
            <TransferPanel
              state={state}
              display={display}
              name={job.name}
              jobId={job.id}
              machineId={machineId}
              letters={letters}
            />
          </Tabs.Content>
        </Tabs.Root>
      </div>
    </main>
  );
}

interface FollowsProps {
  hole: Job['holes'][number];
  letters: ReadonlyMap<string, string>;
  onChange: (hole: Job['holes'][number]) => void;
}

/** The figures of a place that follows another feature: where it is mirrored, how far it is offset, mm. */
function Follows({ hole, letters, onChange }: FollowsProps) {
  const { place } = hole;
  if (place?.kind !== 'mirror' && place?.kind !== 'offset') return null;
  const number = (text: string, placeOf: (value: number) => typeof place): void => {
    const value = Number(text);
    if (Number.isFinite(value)) onChange({ ...hole, place: placeOf(value) });
  };
  const field = 'h-9 w-20 rounded-sm border border-steel-500 bg-white px-1.5';
  return (
    <span className="flex flex-wrap items-center gap-1.5 text-[15px]">
      {place.kind} of {letters.get(place.of) ?? '?'},{' '}
      {place.kind === 'mirror' ? (
        <>
          <select
            aria-label="Axis"
            className={field}
            value={place.axis}
            onChange={(e) => onChange({ ...hole, place: { ...place, axis: e.target.value as 'x' | 'y' } })}
          >
            <option value="x">x =</option>
            <option value="y">y =</option>
          </select>
          <input
            aria-label="Line, mm"
            className={field}
            type="number"
            step="any"
            defaultValue={place.at}
            onChange={(e) => number(e.target.value, (at) => ({ ...place, at }))}
          />
        </>
      ) : (
        <>
          <input
            aria-label="Across, mm"
            className={field}
            type="number"
            step="any"
            defaultValue={place.dx}
            onChange={(e) => number(e.target.value, (dx) => ({ ...place, dx }))}
          />
          <input
            aria-label="Up, mm"
            className={field}
            type="number"
            step="any"
            defaultValue={place.dy}
            onChange={(e) => number(e.target.value, (dy) => ({ ...place, dy }))}
          />
        </>
      )}{' '}
      mm
    </span>
  );
}
