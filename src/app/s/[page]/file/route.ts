export { postSuggestedFile as POST } from "@/http/suggested-file-route";
