export { NotHere as default } from "@/ui/shell/not-here";
