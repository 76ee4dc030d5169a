export { getChanges as GET } from "@/http/editions-route";
