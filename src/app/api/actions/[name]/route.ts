export { getAction as GET, postAction as POST } from "@/services/http/action-route";
