import { useSay } from '../../shared/hooks/useSay';

type Props = {
  readonly note: string;
  readonly onNote: (note: string) => void;
  readonly said: { readonly words: string; readonly bad: boolean } | null;
  readonly saving: boolean;
  readonly dirty: boolean;
};

/** Along the foot of the editor: what changed and why, what came of it, and Save. */
export function SaveBar({ note, onNote, said, saving, dirty }: Props) {
  const say = useSay();
  return (
    <footer className="sticky bottom-0 z-20 flex shrink-0 flex-wrap items-stretch border-ink border-t-2 bg-surface">
      <div className="flex min-w-0 flex-1 items-center gap-3 px-5 py-2" aria-live="polite">
        <label htmlFor="recipe-note" className="sr-only">
          {say('What changed and why')}
        </label>
        <input
          id="recipe-note"
          value={note}
          maxLength={200}
          onChange={(e) => onNote(e.target.value)}
          placeholder={say('What changed, and why')}
          className="h-14 min-w-0 flex-1 rounded-sm border-2 border-ink bg-surface px-3"
        />
        {said && (
          <p
            role={said.bad ? 'alert' : 'status'}
            className={`flex-1 font-bold leading-tight ${said.bad ? 'text-tomato' : ''}`}
          >
            {said.words}
          </p>
        )}
      </div>
      <button
        type="submit"
        disabled={saving || !dirty}
        className="min-h-18 border-ink bg-butter px-8 font-bold text-[24px] text-on-butter disabled:bg-ground disabled:text-quiet min-[720px]:border-l-2 max-[720px]:w-full max-[720px]:border-t-2"
      >
        {saving ? say('Saving …') : dirty ? say('Save') : say('Saved')}
      </button>
    </footer>
  );
}
