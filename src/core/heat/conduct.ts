/**
 * Heat out of a body along one direction: a wall to wall slab, or a cylinder from its axis out. Dimensionless:
 * 1 is the start, 0 the surroundings. A brick or a short cylinder is the product of its directions
 * (Newman 1936; Carslaw & Jaeger), as long as all of them share their surroundings.
 */
export type Direction = {
  readonly shape: 'slab' | 'cylinder';
  /** m: the thickness of a slab, the radius of a cylinder. */
  readonly length: number;
};

/** W/(m²·K) at the two ends of a direction; a cylinder has only its outer one, `far`. 0 is insulated. */
type Films = { readonly near: number; readonly far: number };

/** Cells a direction is cut into. */
const CELLS = 16;

/** Share of the cross-section each cell of a cylinder has, and how far its outer face stands from the axis. */
const RING = Array.from({ length: CELLS }, (_, i) => (2 * i + 1) / CELLS ** 2);
const FACE = Array.from({ length: CELLS }, (_, i) => (i + 1) / CELLS);

/** One direction on its way to the temperature around it. */
export class Column {
  private readonly theta = new Float64Array(CELLS).fill(1);
  private readonly upper = new Float64Array(CELLS);
  private readonly right = new Float64Array(CELLS);

  constructor(private readonly of: Direction) {}

  /** Everything the same again, as after stirring. */
  mix(): void {
    this.theta.fill(1);
  }

  /** The warmest of it, and its mean; and at its near and far end. */
  warmest(): number {
    const { theta } = this;
    let most = theta[0] ?? 0;
    for (let i = 1; i < CELLS; i++) if ((theta[i] ?? 0) > most) most = theta[i] ?? 0;
    return most;
  }
  mean(): number {
    const { theta } = this;
    const round = this.of.shape === 'cylinder';
    let sum = 0;
    for (let i = 0; i < CELLS; i++) sum += (theta[i] ?? 0) * (round ? (RING[i] ?? 0) : 1 / CELLS);
    return sum;
  }
  near(): number {
    return this.theta[0] ?? 0;
  }

  /**
   * On by `seconds`: conduction between cells and films at the ends, each step solved as it stands at its end, so that
   * no step is too long to be stable. `conductivity` W/(m·K), `heat` J/(m³·K).
   */
  step(seconds: number, conductivity: number, heat: number, { near, far }: Films): void {
    const { theta, upper, right, of } = this;
    const cell = of.length / CELLS;
    const between = ((conductivity / cell) * seconds) / (heat * cell);
    // A film and half a cell, one behind the other.
    const end = (film: number) =>
      film <= 0 ? 0 : (seconds / (heat * cell)) * (1 / (1 / film + cell / (2 * conductivity)));
    const round = of.shape === 'cylinder';
    let above = 0;
    let rightAbove = 0;
    for (let i = 0; i < CELLS; i++) {
      // Of a ring, the flow through a face goes by the face's length, and what it warms by the ring's area.
      const scale = round ? (2 * CELLS) / (2 * i + 1) : 1;
      const inner = i === 0 ? 0 : between * (round ? (FACE[i - 1] ?? 0) * scale : 1);
      const outer = i === CELLS - 1 ? 0 : between * (round ? (FACE[i] ?? 0) * scale : 1);
      const lost =
        (i === 0 && !round ? end(near) : 0) + (i === CELLS - 1 ? end(far) * (round ? scale : 1) : 0);
      const diagonal = 1 + inner + outer + lost + inner * above;
      above = -outer / diagonal;
      rightAbove = ((theta[i] ?? 0) + inner * rightAbove) / diagonal;
      upper[i] = above;
      right[i] = rightAbove;
    }
    for (let i = CELLS - 1; i >= 0; i--)
      theta[i] = (right[i] ?? 0) - (i === CELLS - 1 ? 0 : (upper[i] ?? 0) * (theta[i + 1] ?? 0));
  }
}
