import type { ReadingFile } from './use-file-reader';

/** How far a file is read, with a way to stop it. */
export function ReadingBar({ reading, onCancel }: { reading: ReadingFile | undefined; onCancel: () => void }) {
  if (!reading) return null;
  return (
    <div className="flex items-center gap-2">
      <progress aria-label={`Reading ${reading.name}`} className="h-3 flex-1" value={reading.share} max={1} />
      <button type="button" className="btn h-9" onClick={onCancel}>
        Cancel
      </button>
    </div>
  );
}
