export { getReaderPage as GET } from "@/services/http/reader-route";
