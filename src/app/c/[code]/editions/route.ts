export { getEditions as GET } from "@/http/editions-route";
