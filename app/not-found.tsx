export { NotFoundPage as default } from "@/rooms/NotFoundPage";
