export { getPreview as GET } from "@/services/http/preview-route";
