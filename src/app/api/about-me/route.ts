export { getAboutMe as GET } from "@/http/archive-route";
