export { Shelf as default } from "@/rooms";
