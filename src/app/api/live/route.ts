export { getLive as GET } from "@/http/live-route";
