ALTER TABLE `invitation` ADD `short` varchar(16) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `invitation` ADD CONSTRAINT `invitation_short_unique` UNIQUE(`short`);