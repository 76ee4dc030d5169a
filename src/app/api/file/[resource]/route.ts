export { getFile as GET } from "@/services/http/file-route";
