export { getPicture as GET } from "@/services/http/picture-route";
