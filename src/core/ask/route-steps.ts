import { depth, mm, phrase, quantity, type Phrase } from '../answer/answer';
import { chamferDepth, chiselEdge } from '../drills/drill-point';
import { drillName } from '../drills/drill';
import type { HolePlan, RouteStep } from './hole-plan';

/** The steps for one hole in the order in which they are done. */
export function routeSteps(plan: Omit<HolePlan, 'steps'>): RouteStep[] {
  const { thread, drilling, tapping, hole, chamferMm, tapDrill, material, machine } = plan;
  const { drill } = tapDrill.used;
  const first = drilling.pilots[0] ?? drill;
  const way = tapping.best;
  const speed = 'rpm' in drilling.speed ? drilling.speed : undefined;
  const steps: RouteStep[] = [
    machine?.kind === 'mill'
      ? { code: 'lay-out', order: phrase('Find two edges and go to the place by dial or readout.'), details: [] }
      : {
          code: 'lay-out',
          order: phrase('Scribe, prick, look, then centre punch once.'),
          details: [
            phrase('The dimple must take the chisel edge of drill {drill}: at least {dimple} across.', {
              drill: drillName(first),
              dimple: depth(1.1 * chiselEdge(first.diameterMm)),
            }),
          ],
        },
  ];
  if (drilling.start === 'centre-drill')
    steps.push({ code: 'start', order: phrase('Start with a centre drill on the punch mark.'), details: [] });
  if (drilling.start === 'spot')
    steps.push({
      code: 'start',
      order: phrase('Spot with a 90° spot drill, {depth} deep: it leaves the chamfer of {chamfer} too.', {
        depth: depth(chamferDepth(chamferMm, 0, 90)),
        chamfer: depth(chamferMm),
      }),
      details: [],
    });
  for (const pilot of drilling.pilots)
    steps.push({ code: 'pilot', order: phrase('Pilot with {drill}.', { drill: drillName(pilot) }), details: [] });
  const details: Phrase[] = [];
  if (speed)
    details.push(
      phrase('{rpm}, {label}: {percent} of the ideal {ideal}.', {
        rpm: quantity(speed.rpm, 'rpm'),
        label: speed.label,
        percent: quantity(speed.percentOfIdeal, 'percent'),
        ideal: quantity(drilling.ideal.value, 'rpm'),
      }),
    );
  if (drilling.pecks.length > 0)
    details.push(
      phrase(
        drilling.pecks.length === 1
          ? 'Withdraw fully once, at {first}, and clear the chips.'
          : 'Withdraw fully and clear the chips at {first}, then every {every}: {count} times in all.',
        { first: depth(drilling.pecks[0]), every: depth(drilling.peckEveryMm), count: drilling.pecks.length },
      ),
    );
  details.push(phrase('Fluid: {fluid}.', { fluid: plan.dry ? 'dry, as asked' : material.lubricant }));
  steps.push({
    code: 'drill',
    order: way.depth
      ? phrase('Drill {drill} to {full}; set the stop at {total} from touch.', {
          drill: drillName(drill),
          full: depth(way.depth.fullDiameter.value),
          total: depth(way.depth.total.value),
        })
      : phrase('Drill {drill} through; the tip passes {tip} beyond the back.', {
          drill: drillName(drill),
          tip: depth(drilling.tip.value),
        }),
    details,
  });
  if (drilling.start !== 'spot')
    steps.push({
      code: 'chamfer',
      order: phrase('Countersink the mouth to {chamfer}, before tapping.', { chamfer: depth(chamferMm) }),
      details: [],
    });
  way.taps.forEach((tap, i) =>
    steps.push({
      code: 'tap',
      order: phrase('Tap {thread}: {tap}, {threads} chamfer threads.', {
        thread: thread.designation,
        tap: tap.name,
        threads: tap.chamferThreads,
      }),
      details:
        i > 0
          ? [phrase('To the bottom, counting the turns.')]
          : [
              phrase('{way}. {wrench}', { way: way.label, wrench: way.wrench.text }),
              way.biteTurns > 0
                ? phrase('{bite} forward, back until the chip snaps; {turns} in all.', {
                    bite: quantity(way.biteTurns, 'turns'),
                    turns: quantity(way.turns.value, 'turns'),
                  })
                : phrase('{turns} in all, without reversing.', { turns: quantity(way.turns.value, 'turns') }),
            ],
    }),
  );
  if (hole.through)
    steps.push({ code: 'deburr', order: phrase('Deburr the far side, then clean the hole.'), details: [] });
  steps.push({
    code: 'check',
    order: plan.limits
      ? phrase('Clean, then check: go gauge the full length; minor diameter {min} to {max} with pins.', {
          min: mm(plan.limits.minorMinMm),
          max: mm(plan.limits.minorMaxMm),
        })
      : phrase('Clean, then check with the plug gauge: flush within one turn.'),
    details: [],
  });
  return steps;
}
