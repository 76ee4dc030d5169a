export { getAction as GET, postAction as POST, preflight as OPTIONS } from "@/services/http/action-route";
