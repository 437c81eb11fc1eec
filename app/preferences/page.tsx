export { Preferences as default } from "@/rooms/Preferences";
