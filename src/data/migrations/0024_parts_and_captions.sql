ALTER TABLE `resource` ADD `captions_hash` varchar(64) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `collection` ADD `aim_level` int;--> statement-breakpoint
ALTER TABLE `placement` ADD `clip_from` int;--> statement-breakpoint
ALTER TABLE `placement` ADD `clip_to` int;--> statement-breakpoint
ALTER TABLE `resource_text` ADD `lix` int;--> statement-breakpoint
CREATE INDEX `resource_captions` ON `resource` (`captions_hash`);