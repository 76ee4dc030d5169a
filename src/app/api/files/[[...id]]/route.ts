export {
  tus as GET,
  tus as POST,
  tus as PATCH,
  tus as HEAD,
  tus as DELETE,
  tus as OPTIONS,
} from "@/http/file-route";
