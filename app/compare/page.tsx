import { Suspense } from "react";
import { CompareRoom } from "@/rooms/Compare";

export default function Page() {
  return (
    <Suspense>
      <CompareRoom />
    </Suspense>
  );
}
