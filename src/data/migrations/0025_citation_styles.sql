ALTER TABLE `team` ADD `citation_style` varchar(80) character set ascii collate ascii_bin DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `collection` ADD `citation_style` varchar(80) character set ascii collate ascii_bin DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `collection` ADD `gives_references` boolean DEFAULT false NOT NULL;