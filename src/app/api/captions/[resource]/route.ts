export { getCaptions as GET } from "@/http/captions-route";
