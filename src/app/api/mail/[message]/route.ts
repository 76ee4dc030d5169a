export { getOriginal as GET } from "@/services/http/export-route";
