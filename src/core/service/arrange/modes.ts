import type { House } from '../../kitchen/house';
import type { Mode, Resource, ResourceUse } from '../../schedule/problem';
import { type BoardPlace, type Service, type ServiceBatch, TOOLS, type Tool } from '../service';
import { handsOf, type Timetable, toolIn } from '../timetable';

/** A burner and a pot. */
export type Stand = Pick<BoardPlace, 'burnerId' | 'vesselId'>;

/** What of a service one thing is shared by. */
export type Shared =
  | { readonly kind: 'burner' | 'pot'; readonly id: string; readonly name: string }
  | { readonly kind: 'hands' }
  /** So many trays. */
  | { readonly kind: 'oven' }
  | { readonly kind: 'tool'; readonly tool: Tool }
  /** All burners, or all pots, together: what one by one would only be found out by trying. */
  | { readonly kind: 'burners' | 'pots' };

/** Things shared in a service, each with how much of it there is. */
export function sharedIn(service: Service, house: House): readonly (readonly [Shared, Resource])[] {
  return [
    ...house.burners.map(
      (b) =>
        [
          { kind: 'burner', id: b.id, name: b.name },
          { id: `burner ${b.id}`, capacity: 1 },
        ] as const,
    ),
    ...house.vessels.map(
      (v) =>
        [
          { kind: 'pot', id: v.id, name: v.name },
          { id: `pot ${v.id}`, capacity: 1 },
        ] as const,
    ),
    [{ kind: 'burners' }, { id: 'burners', capacity: house.burners.length }] as const,
    [{ kind: 'pots' }, { id: 'pots', capacity: house.vessels.length }] as const,
    [{ kind: 'hands' }, { id: 'hands', capacity: service.hands }] as const,
    [{ kind: 'oven' }, { id: 'oven', capacity: house.kitchen.stands?.trays ?? 0 }] as const,
    ...TOOLS.map(
      (tool) =>
        [
          { kind: 'tool', tool },
          { id: `tool ${tool}`, capacity: service.tools[tool] },
        ] as const,
    ),
  ];
}

/** What modes are made with: the minute counted back from, and where a resource stands. */
export type Builder = {
  readonly service: Service;
  readonly end: number;
  readonly at: (id: string) => number;
  readonly has: (id: string) => boolean;
};

/** A batch on its burner, in its pot, as a mode: counted back from its end. */
export function cookMode(
  batch: ServiceBatch,
  stand: Stand,
  { minutes: takes, stretches, pans }: Timetable,
  { service, end, at, has }: Builder,
): Mode {
  const back = (from: number, to: number) => ({ from: takes - to, to: takes - from });
  const uses: ResourceUse[] = [
    {
      resource: at(`burner ${stand.burnerId}`),
      amount: 1,
      from: 0,
      to: takes,
      ...(service.keptOn === 'burner' && { since: end - batch.last }),
    },
    {
      resource: at(`pot ${stand.vesselId}`),
      amount: 1,
      from: 0,
      to: takes,
      since: end - batch.last - service.wash,
    },
    ...handsOf({ stretches }).map((s) => ({ resource: at('hands'), amount: 1, ...back(s.from, s.to) })),
    ...pans.flatMap((pan): ResourceUse[] => {
      const span = back(pan.from, Math.min(takes, pan.to));
      const [burner, pot] = [`burner ${pan.burnerId}`, `pot ${pan.vesselId}`];
      return [
        ...(has(burner) ? [{ resource: at(burner), amount: 1, ...span }] : []),
        ...(has(pot) ? [{ resource: at(pot), amount: 1, ...span }] : []),
        ...(pan.trays > 0 ? [{ resource: at('oven'), amount: pan.trays, ...span }] : []),
      ];
    }),
    ...TOOLS.flatMap((tool) =>
      toolIn({ stretches }, tool).map((s) => ({
        resource: at(`tool ${tool}`),
        amount: 1,
        ...back(s.from, s.to),
      })),
    ),
  ];
  return { id: `${stand.vesselId} ${stand.burnerId}`, duration: takes, uses: uses.toReversed() };
}

/** The modes, each also taking one of all burners and one of all pots for as long as the shortest takes. */
export function pooled(
  modes: readonly Mode[],
  batch: ServiceBatch,
  { service, end, at }: Builder,
): readonly Mode[] {
  const to = Math.min(...modes.map((m) => m.duration));
  const pools: readonly ResourceUse[] = [
    {
      resource: at('burners'),
      amount: 1,
      from: 0,
      to,
      ...(service.keptOn === 'burner' && { since: end - batch.last }),
    },
    { resource: at('pots'), amount: 1, from: 0, to, since: end - batch.last - service.wash },
  ];
  return modes.map((m) => ({ ...m, uses: [...m.uses, ...pools] }));
}

/** A stock made here, as a mode. */
export function stockMode(stand: Stand, table: Timetable, { at }: Builder): Mode {
  const back = (from: number, to: number) => ({ from: table.minutes - to, to: table.minutes - from });
  return {
    id: `stock ${stand.vesselId} ${stand.burnerId}`,
    duration: table.minutes,
    uses: [
      { resource: at(`burner ${stand.burnerId}`), amount: 1, from: 0, to: table.minutes },
      { resource: at(`pot ${stand.vesselId}`), amount: 1, from: 0, to: table.minutes },
      ...handsOf(table).map((s) => ({ resource: at('hands'), amount: 1, ...back(s.from, s.to) })),
    ],
  };
}
