/** So many at one turn: what is asked meanwhile comes between. */
const AT_ONCE = 8;

const waiting: (() => void)[] = [];
let going = false;

function go(): void {
  for (const work of waiting.splice(0, AT_ONCE)) work();
  going = waiting.length > 0;
  if (going) setImmediate(go);
}

/** Does `work` soon, in the order it came, a few at a time: what many ask for at once is refused without anybody waiting for it. */
export function later(work: () => void): void {
  waiting.push(work);
  if (going) return;
  going = true;
  setImmediate(go);
}
