export { NewChamber as default } from "@/rooms/NewChamber";
