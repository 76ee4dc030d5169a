export { getPersonPage as GET } from "@/http/team-page-route";
