export { getJoin as GET, postJoin as POST } from "@/http/newsletter-route";
