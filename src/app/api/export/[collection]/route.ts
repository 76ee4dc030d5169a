export { getExport as GET } from "@/http/export-route";
