export { getRejected as GET } from "@/http/export-route";
