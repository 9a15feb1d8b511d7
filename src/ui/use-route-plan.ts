'use client';

import { startTransition, useCallback, useEffect, useRef, useState } from 'react';
import type { Problem } from '@/core/answer/answer';
import type { MachineChoice } from '@/core/route/machine-choices';
import type { Route } from '@/core/route/route';
import { unpacked } from '@/core/route/route-parcels';
import type { WorkItem } from '@/core/route/work-item';
import type { RouteMessage, RouteRequest } from '@/workers/plan-route';
import type { ToRehearse } from './use-rehearsal';

/** What came of planning: a route, or why there is none; how far it is meanwhile. */
export interface Planned {
  route?: Route;
  /** Other machines that would be quicker. */
  machines?: MachineChoice[];
  /** The planned job, ready to be rehearsed. */
  rehearsable?: ToRehearse;
  problems: Problem[];
  /** 0 to 1 while it is being planned. */
  share?: number;
  fault?: string;
  cancelled?: boolean;
}

/** Typing does not start a plan for every key, ms. */
const SETTLED_MS = 120;

/** Plans a route beside the page whenever the request changes, with how far it is; a new one, or cancel, ends the one before. */
export function useRoutePlan(request: RouteRequest) {
  const [planned, setPlanned] = useState<Planned>({ problems: [], share: 0 });
  const worker = useRef<Worker>(undefined);
  const plan = useCallback(() => {
    worker.current?.terminate();
    const own = new Worker(new URL('../workers/plan-route.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    const items: WorkItem[] = [];
    let route: Route | undefined;
    setPlanned((before) => ({ ...before, share: 0, cancelled: false }));
    own.onmessage = ({ data }: MessageEvent<RouteMessage>) => {
      // One that was ended may still have something to say.
      if (worker.current !== own) return;
      if ('share' in data) return setPlanned((before) => ({ ...before, share: data.share }));
      if ('items' in data) return void items.push(...data.items);
      if ('route' in data) return void (route = unpacked(data, items));
      if ('models' in data) {
        if (!route) return;
        const { features, job, shop, edits } = request;
        const planned = {
          route,
          problems: route.problems,
          rehearsable: { ...data, route, features, job, shop, edits },
        };
        return startTransition(() => setPlanned(planned));
      }
      own.terminate();
      if ('machines' in data) setPlanned((before) => ({ ...before, machines: data.machines }));
      else if ('problems' in data) setPlanned({ problems: data.problems });
      else setPlanned((before) => ({ ...before, share: undefined, fault: data.fault }));
    };
    own.onerror = ({ message }) => {
      if (worker.current === own) setPlanned((before) => ({ ...before, share: undefined, fault: message }));
    };
    own.postMessage(request);
  }, [request]);
  useEffect(() => {
    const timer = setTimeout(plan, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [plan]);
  useEffect(() => () => worker.current?.terminate(), []);
  const cancel = useCallback(() => {
    worker.current?.terminate();
    setPlanned((before) => ({ ...before, share: undefined, cancelled: true }));
  }, []);
  return { planned, cancel, again: plan };
}
