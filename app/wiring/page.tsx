import { Suspense } from "react";
import { WiringRoom } from "@/rooms/WiringSheet";

export default function Page() {
  return (
    <Suspense>
      <WiringRoom />
    </Suspense>
  );
}
