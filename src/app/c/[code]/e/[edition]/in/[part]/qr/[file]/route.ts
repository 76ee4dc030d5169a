export { getQr as GET } from "@/http/qr-route";
