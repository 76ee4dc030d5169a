export { getPagePicture as GET } from "@/http/team-page-route";
