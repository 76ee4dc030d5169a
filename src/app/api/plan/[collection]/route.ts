export { getPlan as GET } from "@/http/plan-route";
