export { getFeed as GET } from "@/http/feed-route";
