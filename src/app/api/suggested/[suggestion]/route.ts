export { getSuggestedFile as GET } from "@/http/suggested-file-route";
