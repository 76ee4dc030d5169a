export { getRobots as GET } from "@/http/robots-route";

/** Its address is a setting, which is known when it runs. */
export const dynamic = "force-dynamic";
