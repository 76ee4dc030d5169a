export { getHealth as GET } from "@/services/http/health";
export const dynamic = "force-dynamic";
