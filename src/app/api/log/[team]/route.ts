export { getLog as GET } from "@/http/log-route";
