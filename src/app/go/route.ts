export { getGo as GET } from "@/http/go-route";
