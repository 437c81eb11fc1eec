export { DoorPage as default } from "@/rooms/DoorPage";
