export { getPaper as GET } from "@/http/paper-route";
