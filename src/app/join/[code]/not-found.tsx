export { InvitationEnded as default } from "@/ui/shell/not-here";
