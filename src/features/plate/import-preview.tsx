import type { Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { FilePreview } from '@/ui/file-preview';
import { WITH_DOUBLES, type WithDoubles } from './csv-features';
import type { ImportState } from './use-import';

interface Props {
  files: ImportState;
  display: Display;
  onTaken?: () => void;
}

/** What was understood of a file or a mating part, before anything changes. */
export function ImportPreview({ files, display, onTaken }: Props) {
  const { preview, setPreview, already, doubles, setDoubles, take } = files;
  if (!preview || preview.table) return null;
  return (
    <FilePreview
      name={preview.file}
      problems={preview.problems}
      understood={preview.found?.understood}
      leftOut={preview.found?.leftOut}
      display={display}
      onTake={
        (preview.found ?? preview.whole) &&
        (() => {
          take(preview);
          onTaken?.();
        })
      }
      onLeave={() => setPreview(undefined)}
    >
      {already > 0 && (
        <Choice
          label={already === 1 ? 'One hole stands there already' : `${already} stand there already`}
          value={doubles}
          onChange={setDoubles}
          options={Object.entries(WITH_DOUBLES) as [WithDoubles, string][]}
        />
      )}
      {preview.whole && (
        <p>A whole part: {preview.whole.holes.length} features. It replaces what is here; undo restores it.</p>
      )}
    </FilePreview>
  );
}
