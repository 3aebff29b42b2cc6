const EVENT = 'panache:rail';

/** Tells the rail that a pot has changed on this device. */
export const railChanged = (): boolean => window.dispatchEvent(new Event(EVENT));

/** Calls `listener` whenever it has; returns the way to stop. */
export function onRailChange(listener: () => void): () => void {
  window.addEventListener(EVENT, listener);
  return () => window.removeEventListener(EVENT, listener);
}
