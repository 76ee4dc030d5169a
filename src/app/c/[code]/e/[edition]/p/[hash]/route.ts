export { getReaderPicture as GET } from "@/http/reader-route";
