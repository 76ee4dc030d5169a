export { getOriginal as GET } from "@/http/export-route";
