export { getExport as GET, postExport as POST } from "@/http/export-route";
