export { getShelves as GET } from "@/http/team-page-route";
