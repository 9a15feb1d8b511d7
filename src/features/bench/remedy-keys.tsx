import type { RemedyScope } from '@/core/run/bench-record';

interface Props {
  label: string;
  /** It helps only holes that are not drilled yet. */
  onlyNext?: boolean;
  onApply: (scope: RemedyScope) => void;
}

/** A remedy for this hole, or for it and those that are still to be made. */
export const RemedyKeys = ({ label, onlyNext, onApply }: Props) => (
  <div className="mt-2 flex flex-wrap gap-2">
    {!onlyNext && (
      <button type="button" className="bench-key bench-next" onClick={() => onApply('hole')}>
        {label}: this hole
      </button>
    )}
    <button
      type="button"
      className={`bench-key ${onlyNext ? 'bench-next' : ''}`}
      onClick={() => onApply(onlyNext ? 'others' : 'rest')}
    >
      {onlyNext ? `${label}: holes not drilled yet` : 'and the rest'}
    </button>
  </div>
);
