export { getAction as GET, postAction as POST, preflight as OPTIONS } from "@/http/action-route";
