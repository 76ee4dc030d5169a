ALTER TABLE `team` ADD `has_page` boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `team` ADD `page_words` text DEFAULT ('') NOT NULL;