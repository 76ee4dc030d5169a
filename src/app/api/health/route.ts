export { getHealth as GET } from "@/http/health";
export const dynamic = "force-dynamic";
