export { getRejected as GET } from "@/services/http/export-route";
