import type { Drawn } from '@/core/answer/answer';
import type { Display } from '@/core/units/show';
import { LiveClass } from './live-class';
import { LivePercent } from './live-percent';
import { LiveRoom } from './live-room';
import { LiveTip } from './live-tip';

/** The drawing that explains a figure, begun at that figure. */
export default function Live({ drawn, display }: { drawn: Drawn; display: Display }) {
  switch (drawn.kind) {
    case 'percent':
      return <LivePercent {...drawn} display={display} />;
    case 'room':
      return <LiveRoom {...drawn} display={display} />;
    case 'class':
      return <LiveClass {...drawn} display={display} />;
    case 'tip':
      return <LiveTip {...drawn} display={display} />;
  }
}
