/** How far something is, `done` of `of`, as a bar; what it counts is its `label`. */
export function Progress({ label, done, of }: { label: string; done: number; of: number }) {
  return (
    <div
      role="progressbar"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={of}
      aria-valuenow={done}
      className="h-4 rounded-sm border-2 border-ink bg-surface"
    >
      <div className="h-full bg-chive" style={{ width: `${(100 * done) / Math.max(1, of)}%` }} />
    </div>
  );
}
