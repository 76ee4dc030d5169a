export { getReaderFile as GET } from "@/services/http/reader-route";
