export { getOpenApi as GET } from "@/http/openapi";
