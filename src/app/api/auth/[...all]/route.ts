export { handleAuth as GET, handleAuth as POST } from "@/http/auth-route";
