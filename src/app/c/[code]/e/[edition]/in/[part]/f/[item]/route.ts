export { getReaderFile as GET } from "@/http/reader-route";
