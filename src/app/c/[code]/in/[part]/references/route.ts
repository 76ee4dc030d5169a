export { getReferences as GET } from "@/http/references-route";
