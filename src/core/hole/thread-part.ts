import type { Estimate, Learned } from '../answer/estimate';
import { chamferDiameter } from '../drills/drill-point';
import { expectedHole, expectedHoleMm, typicalHoleMm, type DrilledHole } from '../drills/expected-hole';
import { formingVerdict } from '../tap-drill/forming';
import type { Room } from '../tapping/room-below';
import { tappingSpeed } from '../tapping/tapping-speed';
import type { ClassLimits } from '../threads/class-limits';
import { engagement } from '../threads/engagement';
import { isPipe, isTapered } from '../threads/thread';
import type { ThreadPart } from './hole-plan';
import type { HoleQuestion } from './question';
import type { ResolvedThread } from './resolved-hole';
import type { ThreadDrill } from './thread-drill';
import { boltFor } from './usual-depth';

/** The predicted hole with the class that it has to fall into, for its drawing. */
function predicted(
  { drill, ...made }: DrilledHole,
  learned: Learned | undefined,
  limits: ClassLimits | undefined,
): Estimate {
  const hole = expectedHole({ drill, ...made }, learned);
  if (!limits) return hole;
  const { diameterMm } = drill;
  const typical = typicalHoleMm({ drill, ...made });
  const measured = expectedHoleMm({ drill, ...made }, learned);
  const { value: holeMm, sigma: sigmaMm, working } = hole;
  const { minorMinMm: minMm, minorMaxMm: maxMm } = limits;
  const own = measured.n > 0 ? { typical: { holeMm: typical.mean, sigmaMm: typical.sigma }, ownMm: measured.own } : {};
  return {
    ...hole,
    working: { ...working, drawn: { kind: 'class', drillMm: diameterMm, holeMm, sigmaMm, minMm, maxMm, ...own } },
  };
}

/** The thread of a plan: its drill and ways of tapping with the figures that follow from them. */
export function threadPart(
  q: HoleQuestion,
  at: ResolvedThread,
  drill: ThreadDrill,
  tapping: Pick<ThreadPart['tapping'], 'best' | 'ways'>,
  rooms: { rooms: Room[]; room?: Room },
): ThreadPart {
  const { thread } = at.feature;
  const { material } = q;
  const { question, choice, used, because, proposed } = drill;
  const bolt = boltFor(q, thread);
  const held = !isTapered(thread) && !isPipe(thread) && material.group !== 'plastic';
  return {
    thread,
    at,
    limits: question.limits,
    kind: question.forming ? 'form' : 'cut',
    forming: { verdict: formingVerdict(thread, material), question: drill.forming },
    tapDrill: {
      ...choice,
      used,
      hole: predicted(
        { drill: used.drill, start: question.start, material },
        question.learned,
        question.forming ? undefined : question.limits,
      ),
      because,
      proposed,
    },
    tapping: { ...tapping, speed: tappingSpeed(thread, material) },
    ...rooms,
    bolt,
    engagement: held ? engagement(thread, material, bolt, drill.used.finishedMinorMm, at.lengthMm) : undefined,
    chamferMm: chamferDiameter(thread.majorMm),
  };
}
