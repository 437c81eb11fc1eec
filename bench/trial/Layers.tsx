"use client";

import type { Channel, TraceLayer } from "@/core/trial";

interface Props {
  channels: readonly { value: Channel; label: string }[];
  layers: readonly { key: string; label: string }[];
  shown: readonly Channel[];
  extra: readonly string[];
  onShown: (shown: Channel[]) => void;
  onExtra: (extra: string[]) => void;
}

export const layerKey = ({ kind, index }: Pick<TraceLayer, "kind" | "index">): string => `${kind}${index}`;

const flip = <T,>(list: readonly T[], value: T, order: readonly T[]): T[] =>
  order.filter((v) => (v === value ? !list.includes(v) : list.includes(v)));

/** Which lines are on show. */
export function Layers({ channels, layers, shown, extra, onShown, onExtra }: Props) {
  const box = (label: string, on: boolean, toggle: () => void) => (
    <label key={label} className="flex min-h-11 items-center gap-2 pr-3">
      <input type="checkbox" className="accent-base-content h-5 w-5" checked={on} onChange={toggle} />
      {label}
    </label>
  );
  return (
    <div className="flex flex-wrap" role="group" aria-label="Lines on show">
      {channels.map(({ value, label }) =>
        box(label, shown.includes(value), () =>
          onShown(
            flip(
              shown,
              value,
              channels.map((c) => c.value),
            ),
          ),
        ),
      )}
      {layers.map(({ key, label }) =>
        box(label, extra.includes(key), () =>
          onExtra(
            flip(
              extra,
              key,
              layers.map((l) => l.key),
            ),
          ),
        ),
      )}
    </div>
  );
}
