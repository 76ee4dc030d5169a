export { getSheetFile as GET } from "@/http/sheet-file-route";
