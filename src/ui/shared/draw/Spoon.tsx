import { spoonFilm } from '../../../core/flow/bands';

/** Drawing units of film for a millimetre on the spoon. */
const PER_MM = 9;

/** The back of a spoon, side on, with the film that stays on it at `viscosity` after two seconds; thickness computed. */
export function Spoon({ viscosity, width = 92 }: { viscosity: number; width?: number }) {
  const film = Math.min(15, spoonFilm(viscosity) * PER_MM);
  const back = 'M14 16 C22 34 48 36 62 20';
  return (
    <svg viewBox="0 0 92 52" width={width} aria-hidden="true">
      <path
        d={back}
        fill="none"
        stroke="var(--butter)"
        strokeWidth={film * 2}
        strokeLinecap="round"
        transform={`translate(0 ${film * 0.55})`}
      />
      <path
        d="M14 16 C22 34 48 36 62 20 L84 3"
        fill="none"
        stroke="var(--ink)"
        strokeWidth="4"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
    </svg>
  );
}
