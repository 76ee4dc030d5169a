export { getArchive as GET } from "@/http/archive-route";
