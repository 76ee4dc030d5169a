import { Forgotten } from "@/ui/account/forgotten";

export const metadata = { title: "Forgotten password" };
export default Forgotten;
