export { CardEnded as default } from "@/ui/shell/not-here";
