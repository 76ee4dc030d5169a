export { getTeamPage as GET } from "@/http/team-page-route";
