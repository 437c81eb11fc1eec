export { DemoDoor as default } from "@/rooms/DemoDoor";
