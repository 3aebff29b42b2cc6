'use client';

import { useState } from 'react';
import { type Message, message } from '../../core/message/message';
import { kitchenNow } from './line/clock';
import { useNews } from './line/live';

export type DeviceKind = 'thermometer' | 'scale' | 'flow timer';

/** A device of the kitchen as this page last heard of it. */
type DeviceState = {
  readonly id: string;
  readonly kind: DeviceKind;
  readonly name: string;
  /** False once the bridge no longer lists it. */
  readonly here: boolean;
  readonly value: number | null;
  /** ms by the server’s clock when the value came. */
  readonly at: number | null;
  /** What is wrong with what it sends, and since when. */
  readonly fault: { readonly says: Message | string; readonly at: number } | null;
};

export type Devices = {
  readonly bridge: 'none' | 'reached' | 'lost';
  readonly all: readonly DeviceState[];
};

export const NO_DEVICES: Devices = { bridge: 'none', all: [] };

/** A reading older than this, ms, is stale: shown as such, and not written down by itself. */
export const STALE = 5000;

const isRecord = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null;
const KINDS: readonly unknown[] = ['thermometer', 'scale', 'flow timer'];

/** `devices` after one piece of news, whatever it holds: what cannot be understood changes nothing. */
export function heardOf(devices: Devices, news: unknown, now: number): Devices {
  if (!isRecord(news)) return devices;
  const one = (id: unknown, change: (d: DeviceState) => DeviceState): Devices => ({
    ...devices,
    all: devices.all.map((d) => (d.id === id ? change(d) : d)),
  });
  switch (news.kind) {
    case 'bridge': {
      const state = news.state === 'reached' || news.state === 'none' ? news.state : 'lost';
      return {
        bridge: state,
        all: state === 'reached' ? devices.all : devices.all.map((d) => ({ ...d, here: false })),
      };
    }
    case 'devices': {
      const listed = (Array.isArray(news.devices) ? news.devices : []).filter(
        (d): d is { id: string; kind: DeviceKind; name: string } =>
          isRecord(d) && typeof d.id === 'string' && typeof d.name === 'string' && KINDS.includes(d.kind),
      );
      const known = new Map(devices.all.map((d) => [d.id, d]));
      const fresh = listed.map(({ id, kind, name }): DeviceState => {
        const { value = null, at = null, fault = null } = known.get(id) ?? {};
        return { id, kind, name, here: true, value, at, fault };
      });
      const gone = devices.all.filter((d) => !listed.some((l) => l.id === d.id));
      return { bridge: 'reached', all: [...fresh, ...gone.map((d) => ({ ...d, here: false }))] };
    }
    case 'reading':
      return typeof news.value === 'number' && Number.isFinite(news.value)
        ? one(news.device, (d) => ({ ...d, value: news.value as number, at: now, fault: null }))
        : devices;
    case 'fault':
      return one(news.device, (d) => ({
        ...d,
        fault: { says: typeof news.says === 'string' ? news.says : message('sends nonsense'), at: now },
      }));
    default:
      return devices;
  }
}

/** How a device stands at `now`: its value while it is fresh, else in words why there is none. */
export function standingOf(
  d: DeviceState | undefined,
  now: number,
): { readonly value: number | null; readonly says: Message | string } {
  if (!d) return { value: null, says: message('not here') };
  if (d.fault && (d.at === null || d.fault.at >= d.at)) return { value: null, says: d.fault.says };
  if (!d.here) return { value: null, says: message('lost') };
  if (d.value === null || d.at === null) return { value: null, says: message('nothing yet') };
  const old = now - d.at;
  if (old > STALE)
    return { value: null, says: message('stale: {seconds} s old', { seconds: Math.round(old / 1000) }) };
  return {
    value: d.value,
    says: message('seen {seconds} s ago', { seconds: Math.max(0, Math.round(old / 1000)) }),
  };
}

/** A device a batch is paired with, as it stands; null where it is paired with none. */
export function pairedDevice(
  paired: { readonly device: string; readonly name: string } | undefined,
  devices: Devices,
  now: number | null,
) {
  if (!paired || now === null) return null;
  const there = devices.all.find((d) => d.id === paired.device);
  return { id: paired.device, name: paired.name, ...standingOf(there, now) };
}

/** The kitchen's devices, as they come and go. */
export function useDevices(): Devices {
  const [devices, setDevices] = useState(NO_DEVICES);
  useNews((news) => {
    if (news.kind === 'device') setDevices((d) => heardOf(d, news.news, kitchenNow()));
    else if (news.kind === 'line' && !news.up)
      setDevices((d) => heardOf(d, { kind: 'bridge', state: 'lost' }, kitchenNow()));
  });
  return devices;
}
