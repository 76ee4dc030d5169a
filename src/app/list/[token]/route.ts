export { getList as GET, postList as POST } from "@/http/newsletter-route";
