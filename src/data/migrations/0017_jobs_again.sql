-- Jobs that are asked for while they run are run again; a page somebody kept as they saw it belongs to its resource.
ALTER TABLE `resource` ADD `seen_hash` varchar(64) character set ascii collate ascii_bin;--> statement-breakpoint
ALTER TABLE `job` ADD `again` boolean DEFAULT false NOT NULL;