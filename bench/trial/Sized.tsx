"use client";

import { useSize } from "@/parts/ruler";

/** Hands its own measured size to what it holds. */
export function Sized({
  className,
  children,
}: {
  className: string;
  children: (width: number, height: number) => React.ReactNode;
}) {
  const { ref, width, height } = useSize<HTMLDivElement>();
  return (
    <div ref={ref} className={`relative min-w-0 overflow-hidden ${className}`}>
      <div className="absolute inset-0">{width > 0 && height > 0 && children(width, height)}</div>
    </div>
  );
}
