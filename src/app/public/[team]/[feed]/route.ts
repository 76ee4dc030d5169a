export { getTeamFeed as GET } from "@/http/feed-route";
