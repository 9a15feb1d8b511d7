import Link from 'next/link';
import type { JobFeature } from '@/contracts/job';
import { toAddress } from '@/core/hole/form';
import type { HoleLine } from '@/core/job/hole-line';
import { questionInJob } from '@/core/job/plan-in-job';
import type { Display } from '@/core/units/show';
import type { JobInHand } from '../job-store/use-job';
import { lineText } from './job-summary';

interface HoleRowProps {
  inHand: JobInHand;
  hole: JobFeature;
  line: HoleLine;
  units: Display;
  /** Undefined for the first. */
  onUp?: () => void;
  onRemove: () => void;
}

/** A feature of the job: its name, and what is done to it. */
export function HoleRow({ inHand, hole, line, units, onUp, onRemove }: HoleRowProps) {
  const { job, edit } = inHand;
  const text = lineText(line, units);
  const named = hole.name || hole.question.callout;
  const address = `/?${toAddress(questionInJob(hole.question, job))}&job=${job.id}&jobHole=${hole.id}`;
  return (
    <li className="grid gap-x-4 gap-y-1 border-t border-steel-200 py-2 first:border-0 md:grid-cols-[1fr_auto]">
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <strong className="font-cond text-xl">{hole.letter}</strong>
          <strong className="text-lg">{hole.question.callout}</strong>
          <input
            aria-label={`Name of ${hole.letter}`}
            className="h-9 min-w-40 flex-1 rounded-sm border border-steel-200 bg-white px-2"
            value={hole.name}
            maxLength={120}
            placeholder="name"
            onChange={(e) => edit((d) => void (d.features[hole.id].name = e.target.value), true)}
          />
        </div>
        {text.drill ? (
          <p className="text-[15px]">
            Drill <strong>{text.drill}</strong> at {text.speed}; {text.depth}. {text.then && `${text.then}.`}
          </p>
        ) : (
          text.then && <p className="text-[15px] text-steel-700">{text.then}.</p>
        )}
        {line.savedBy && (
          <p className="text-[15px] text-steel-700">
            Saved with rules {line.savedBy}; the figures here are by today’s rules.
          </p>
        )}
        {text.troubles.map((trouble) => (
          <p key={trouble} className="text-[15px] font-bold text-danger">
            ! {trouble}
          </p>
        ))}
      </div>
      <div className="flex items-start gap-2">
        <Link className="btn" href={`/jobs/${job.id}/holes?hole=${hole.id}`} prefetch={false}>
          Open
        </Link>
        <Link className="btn" href={address} prefetch={false}>
          In Ask
        </Link>
        <button
          type="button"
          className="btn px-3"
          disabled={!onUp}
          onClick={onUp}
          aria-label={`Move ${hole.letter}, ${named}, up`}
        >
          ↑
        </button>
        <button type="button" className="btn px-3" onClick={onRemove} aria-label={`Remove ${hole.letter}, ${named}`}>
          ✕
        </button>
      </div>
    </li>
  );
}
