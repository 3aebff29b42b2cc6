import { useSay } from '../shared/hooks/useSay';
import { useShow } from '../shared/hooks/useShow';
import { Sheet } from '../shared/Sheet';
import { Pairing } from './Pairing';
import { PanSheet } from './pans/PanSheet';
import { type ReadingKind, ReadingSheet } from './readings/ReadingSheet';
import { StepsSheet } from './steps/StepsSheet';
import type { Stove } from './useStove';

/** Which sheet of the stove is open. */
export type Open = 'steps' | 'devices' | 'timer' | ReadingKind | null;

type Props = {
  readonly stove: Stove;
  readonly open: Open;
  readonly onOpen: (open: Open) => void;
  /** The pan that is looked at; null where none is. */
  readonly pan: string | null;
  readonly onPan: (pan: string | null) => void;
  readonly onEnd: () => void;
};

/** The sheets that open over the stove: its steps, devices, pans and readings. */
export function StoveSheets({ stove, open, onOpen, pan, onPan, onEnd }: Props) {
  const { batch, state, going, due, write, setLooking } = stove;
  const say = useSay();
  const show = useShow();
  const isOpen = (of: Open) => (o: boolean) => onOpen(o ? of : null);
  const shownPan = pan === null ? undefined : going?.pans.find((p) => p.name === pan);
  return (
    <>
      <Sheet open={open === 'steps'} onOpenChange={isOpen('steps')} title={say('All steps')}>
        <StepsSheet
          events={batch.events}
          state={state}
          unreadable={batch.unreadable ?? []}
          write={write}
          onEnd={() => {
            onEnd();
            onOpen(null);
          }}
          onLook={(n) => {
            setLooking(n === state.current ? null : n);
            onOpen(null);
          }}
        />
      </Sheet>
      <Sheet open={open === 'devices'} onOpenChange={isOpen('devices')} title={say('Devices')}>
        <Pairing devices={stove.devices} paired={state.paired} now={stove.now ?? 0} write={write} />
      </Sheet>
      <Sheet open={pan !== null} onOpenChange={(o) => o || onPan(null)} title={pan || batch.plan.vesselName}>
        {shownPan && (
          <PanSheet
            pan={shownPan}
            place={batch.plan.cooked?.beside?.[shownPan.name]}
            steps={state.steps}
            show={show}
            write={(body) => {
              write(body);
              onPan(null);
            }}
            onLook={(n) => {
              setLooking(n === due ? null : n);
              onPan(null);
            }}
          />
        )}
      </Sheet>
      {going && open && open !== 'steps' && open !== 'devices' && open !== 'timer' && (
        <ReadingSheet
          kind={open}
          going={going}
          show={show}
          probe={stove.probeShows}
          scale={stove.scaleShows}
          onTake={(body) => stove.asked(body, () => onOpen(null))}
          onClose={() => onOpen(null)}
        />
      )}
    </>
  );
}
