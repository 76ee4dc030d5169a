export { getCopy as GET } from "@/http/copy-route";
