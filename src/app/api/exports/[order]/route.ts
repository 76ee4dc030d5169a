export { getOrdered as GET } from "@/http/export-route";
