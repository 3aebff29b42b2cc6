import { FileUp } from 'lucide-react';

type Props = {
  readonly id: string;
  readonly words: string;
  readonly accept: string;
  /** How the button looks. */
  readonly look: string;
  readonly onFile: (file: File) => void;
};

/** A button that chooses a file; the same file can be chosen again after it was mended. */
export function FileButton({ id, words, accept, look, onFile }: Props) {
  return (
    <label htmlFor={id} className={`cursor-pointer ${look} has-focus-visible:outline-3`}>
      <FileUp size={22} aria-hidden /> {words}
      <input
        id={id}
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    </label>
  );
}
