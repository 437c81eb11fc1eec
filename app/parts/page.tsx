import { Suspense } from "react";
import { PartsRoom } from "@/rooms/Parts";

export default function Page() {
  return (
    <Suspense>
      <PartsRoom />
    </Suspense>
  );
}
