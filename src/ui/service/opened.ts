import type { Cycle, Service } from '../../core/service/service';

/** A day as the server opens it. */
export type DayOpened = {
  readonly day: string;
  readonly services: readonly { readonly service: Service; readonly revision: number }[];
  readonly near: readonly {
    readonly day: string;
    readonly id: string;
    readonly name: string;
    readonly soups: number;
  }[];
  readonly cycle: Cycle | null;
  readonly cycleRevision: number;
  readonly turn: readonly Service[];
  readonly week: number;
  readonly usual: number | null;
};
