export { getReaderPage as GET } from "@/http/reader-route";
