export { getLive as GET } from "@/services/http/live-route";
