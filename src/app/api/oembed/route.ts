export { getOembed as GET } from "@/http/oembed-route";
