export { getReport as GET, postReport as POST } from "@/http/report-route";
