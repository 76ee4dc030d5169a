export { SuggestionsEnded as default } from "@/ui/shell/not-here";
