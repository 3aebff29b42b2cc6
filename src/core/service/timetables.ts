import { type StockStand, stockPlanFor } from '../compare/beside/stockPlan';
import { holding } from '../heat/vessel';
import { LID_ESCAPE } from '../heat/waterLoss';
import type { House } from '../kitchen/house';
import { amended } from '../order/amended';
import type { Order, TimedOrder } from '../order/order';
import { planFor } from '../plan/plan';
import type { Setup } from '../plan/solve/simulate';
import type { Plan } from '../plan/types';
import { ROWS } from '../pot/kinds/rows';
import { potUnderLid } from '../pot/kitchen';
import type { Recipe } from '../recipe/recipe';
import { titleAsMessage } from '../words/steps';
import { miseMinutes, type Pace, pacedClock } from './pace';
import type { Tool } from './service';
import type { PanTime, StockTable, Stretch, Timetable } from './timetable';
import { type Wait, waitOf } from './wait';

const toolOf = (step: Plan['steps'][number]['step']): Tool | null => {
  if (step.kind === 'strain' && !step.of) return 'sieve';
  if (step.kind === 'puree' && (step.tool === 'stick blender' || step.tool === 'jug blender'))
    return step.tool;
  return null;
};

/** The pans beside its pot that take a burner or trays, from when they go on to when they are poured out. */
function pansOf({ steps, beside }: Plan, clock: (seconds: number) => number): readonly PanTime[] {
  return Object.entries(beside).flatMap(([name, { as, vessel, burner, trays = 1, guessed, shares }]) => {
    if (as === 'bowl' || shares) return [];
    const own = steps.filter(({ pan, step }) =>
      as === 'tray'
        ? pan === name && step.kind === 'roast'
        : pan === name || (step.kind === 'pour' && step.from === name),
    );
    if (own.length === 0) return [];
    return [
      {
        name,
        vesselId: guessed || as === 'tray' ? null : vessel.id,
        burnerId: burner?.id ?? null,
        trays: as === 'tray' ? trays : 0,
        from: Math.floor(clock(Math.min(...own.map((s) => s.startsAt))) / 60 + 1e-6),
        to: Math.ceil(clock(Math.max(...own.map((s) => s.startsAt + s.seconds))) / 60 - 1e-6),
      },
    ];
  });
}

/** The plan on the clock of a board: to the minute, nothing shorter than it is, work as long as it takes here. */
function timetableOf(plan: Plan, pace: Pace, wait: Wait = waitOf(plan)): Timetable {
  const clock = pacedClock(plan, pace);
  const minutes = Math.max(1, Math.ceil(clock(plan.seconds) / 60 - 1e-9));
  const stretches = plan.steps.flatMap(({ step, startsAt, seconds, from: at }, n): Stretch[] => {
    const from = Math.floor(clock(startsAt) / 60 + 1e-6);
    const to = Math.min(minutes, Math.max(from + 1, Math.ceil(clock(startsAt + seconds) / 60 - 1e-6)));
    if (to <= from) return [];
    return [
      {
        from,
        to,
        hands: ROWS[step.kind].attended,
        tool: toolOf(step),
        step: n,
        kind: step.kind,
        title: titleAsMessage(step, at),
      },
    ];
  });
  const { weighOut, warnings, peakMl, rimMl } = plan;
  return {
    minutes,
    stretches,
    pans: pansOf(plan, clock),
    mise: miseMinutes(weighOut, pace.weighing),
    wait,
    weighOut,
    warnings,
    peakMl,
    rimMl,
    stops: warnings.some((w) => w.severity === 'stop'),
  };
}

/** mL of pot for each litre made, the fifth that stays free with it. */
const ROOM = 1300;

/** Timetables of orders in a house, each worked out once: an order that stands on a twin of its burner takes as long. */
export class Timetables {
  private readonly known: Map<string, { table: Timetable; stock: StockTable | null } | null> = new Map();
  private readonly near = new Map<string, Plan>();
  private readonly waits = new Map<string, Wait>();

  /** What `like` has worked out already is known here too: of the same room, and the same pots and burners by their measures. */
  constructor(
    readonly house: House,
    private readonly recipes: ReadonlyMap<string, Recipe>,
    like?: Timetables,
  ) {
    if (like) this.known = like.known;
  }

  private get pace(): Pace {
    return this.house.pace ?? {};
  }

  private keyOf(order: TimedOrder | Order): string {
    const { vesselId, burnerId, ...rest } = order;
    const vessel = this.house.vessels.find((v) => v.id === vesselId);
    const burner = this.house.burners.find((b) => b.id === burnerId);
    const { id: _v, name: _vn, ...pot } = vessel ?? { id: '', name: '' };
    const { id: _b, name: _bn, ...fire } = burner ?? { id: '', name: '' };
    // What is known of this very pot and burner sets it apart from its twin.
    const { own } = this.house.kitchen;
    const known = own && [
      ...Object.keys(LID_ESCAPE).map((lid) => own.waterLoss?.[potUnderLid(vesselId, lid)]?.by),
      own.burner?.[burnerId]?.by,
    ];
    return JSON.stringify([rest, pot, fire, ...(known ?? [])]);
  }

  has(order: Order): boolean {
    return this.known.has(this.keyOf(order));
  }

  /** The batch on the clock; null where its recipe, pot or burner is not there, or the plan cannot be made. */
  of(order: Order): Timetable | null {
    return this.both(order)?.table ?? null;
  }

  /** The stock it is to be made from here, just before; null where none is. */
  stockOf(order: Order & StockStand): StockTable | null {
    return this.both(order)?.stock ?? null;
  }

  private both(order: Order & StockStand) {
    const key = this.keyOf(order);
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const made = this.made(order);
    this.known.set(key, made);
    return made;
  }

  /**
   * The plan of an order there, found from the same soup’s first plan wherever that stands: quickly, and the same to the
   * minute whatever was worked out before it.
   */
  private planned(order: Order, recipe: Recipe, setup: Setup, as: string): Plan {
    const cooked = amended(recipe, order);
    let near = this.near.get(as);
    if (!near) {
      const { vessels, burners, kitchen } = this.house;
      const vessel = holding(vessels, order.litres * ROOM)[0] ?? vessels.at(-1) ?? setup.vessel;
      near = planFor(cooked, order, { vessel, burner: burners[0] ?? setup.burner, kitchen });
      this.near.set(as, near);
    }
    const { setup: there } = near;
    if (there.vessel.id === setup.vessel.id && there.burner.id === setup.burner.id) return near;
    return planFor(cooked, order, setup, near);
  }

  private made(order: Order): { table: Timetable; stock: StockTable | null } | null {
    const recipe = this.recipes.get(order.recipeId);
    const vessel = this.house.vessels.find((v) => v.id === order.vesselId);
    const burner = this.house.burners.find((b) => b.id === order.burnerId);
    if (!recipe || !vessel || !burner) return null;
    const { vesselId: _v, burnerId: _b, ...rest } = order;
    const as = JSON.stringify(rest);
    try {
      const plan = this.planned(order, recipe, { vessel, burner, kitchen: this.house.kitchen }, as);
      // The same soup waits as long, wherever it was cooked.
      const wait = this.waits.get(as) ?? waitOf(plan);
      this.waits.set(as, wait);
      const stock = order.made === 'now' ? stockPlanFor(plan, order, this.house) : null;
      return {
        table: timetableOf(plan, this.pace, wait),
        stock: stock && {
          ingredient: stock.making.id,
          table: timetableOf(stock.plan, this.pace),
          name: stock.plan.recipeName,
          order: stock.order,
        },
      };
    } catch (error) {
      if (error instanceof RangeError) return null;
      throw error;
    }
  }
}
