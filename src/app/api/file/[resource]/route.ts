export { getFile as GET } from "@/http/file-route";
