import { useSay } from '../shared/hooks/useSay';

/** Where the pot would stand, while the model does not say how it does. */
export function NoModel({ lost, waits }: { lost: boolean; waits: boolean }) {
  const say = useSay();
  return (
    <p className="p-5 text-quiet">
      {lost
        ? say(
            'The model cannot follow this batch: go by its plan, its timers and what you see. Taking back the last reading may bring it back. All that is tapped is kept.',
          )
        : waits
          ? say('One moment …')
          : say(
              'This batch was begun before the model went along: its steps and timers are here, its readings are not.',
            )}
    </p>
  );
}
