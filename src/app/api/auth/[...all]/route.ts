export { handleAuth as GET, handleAuth as POST } from "@/services/http/auth-route";
