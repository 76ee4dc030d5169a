export { getPreview as GET } from "@/http/preview-route";
