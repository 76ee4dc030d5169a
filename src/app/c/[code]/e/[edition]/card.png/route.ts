export { getCard as GET } from "@/http/card-route";
