/** The nth time a task takes a resource: the same in all of its modes that take it so often. */
export type NodePart = { readonly task: number; readonly resource: number; readonly nth: number };

/** One part is over before the other begins. */
export type NodeOrder = { readonly first: NodePart; readonly second: NodePart };

/** What is still open: bounds of each start, the modes each may still take (1 at the place of task and mode), the orders decided on. */
export type Node = {
  readonly est: Int32Array;
  readonly lst: Int32Array;
  readonly alive: Uint8Array;
  readonly orders: readonly NodeOrder[];
  /** 1 for each task something was decided of since conclusions were last drawn. */
  readonly touched: Uint8Array;
  /** No placement within is worth less. */
  bound: number;
};

/** What a placement must come to at most, by goal; {@link NEVER} where nothing is asked. */
export type SearchLimits = readonly number[];

/** A stretch in which a task takes so much for certain. */
export type Sure = {
  readonly task: number;
  readonly begin: number;
  readonly end: number;
  readonly amount: number;
};

/** The node again, with `more` decided. */
export function copied(node: Node, more: readonly NodeOrder[] = []): Node {
  const touched = node.touched.slice();
  for (const { first, second } of more) {
    touched[first.task] = 1;
    touched[second.task] = 1;
  }
  return {
    est: node.est.slice(),
    lst: node.lst.slice(),
    alive: node.alive.slice(),
    orders: more.length > 0 ? [...node.orders, ...more] : node.orders,
    touched,
    bound: node.bound,
  };
}
