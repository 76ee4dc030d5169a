export { getReaderPicture as GET } from "@/services/http/reader-route";
