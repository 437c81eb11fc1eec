export { Shelf as default } from "@/rooms/Shelf";
