"use client";

export { WentWrong as default } from "@/ui/shell/not-here";
