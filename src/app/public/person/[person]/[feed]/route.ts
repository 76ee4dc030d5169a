export { getPersonFeed as GET } from "@/http/feed-route";
