export { getHelped as GET, postHelped as POST } from "@/http/helped-route";
