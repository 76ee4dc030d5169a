export { getExport as GET } from "@/services/http/export-route";
