ALTER TABLE `tray_entry` ADD `for_words` varchar(200) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `tray_entry` ADD `for_collection` uuid;--> statement-breakpoint
ALTER TABLE `tray_entry` ADD `for_section` uuid;