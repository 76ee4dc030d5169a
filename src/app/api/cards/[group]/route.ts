export { getCards as GET } from "@/http/cards-route";
