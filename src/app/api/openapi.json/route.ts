export { getOpenApi as GET } from "@/services/http/openapi";
