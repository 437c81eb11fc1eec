"use client";

import { useSize } from "@/parts/ruler";

/** Hands its own measured size to what it holds; where text is larger than usual, what it holds is drawn larger. */
export function Sized({
  className,
  children,
}: {
  className: string;
  children: (width: number, height: number) => React.ReactNode;
}) {
  const { ref, width, height, text } = useSize<HTMLDivElement>();
  return (
    <div ref={ref} className={`relative min-w-0 overflow-hidden ${className}`}>
      <div
        className="absolute inset-0 origin-top-left"
        style={text === 1 ? undefined : { transform: `scale(${text})`, width: width / text, height: height / text }}
      >
        {width > 0 && height > 0 && children(width / text, height / text)}
      </div>
    </div>
  );
}
