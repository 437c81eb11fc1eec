export { Programs as default } from "@/rooms/Programs";
