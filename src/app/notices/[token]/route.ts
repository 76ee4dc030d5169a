export { getLeave as GET, postLeave as POST } from "@/http/notices-route";
