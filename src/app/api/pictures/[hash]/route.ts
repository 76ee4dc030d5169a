export { getPicture as GET } from "@/http/picture-route";
