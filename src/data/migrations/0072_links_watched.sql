CREATE TABLE `link_watch` (
	`resource` uuid NOT NULL,
	`team` uuid NOT NULL,
	`host` varchar(255) NOT NULL,
	`next_at` datetime(3) NOT NULL,
	`asked_at` datetime(3),
	`state` varchar(12) NOT NULL DEFAULT 'ok',
	`times` int NOT NULL DEFAULT 0,
	`since` datetime(3),
	`moved_to` text NOT NULL DEFAULT (''),
	`etag` varchar(500) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`modified` varchar(100) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`signature` varchar(512) character set ascii collate ascii_bin NOT NULL DEFAULT '',
	`settled` varchar(12),
	CONSTRAINT `link_watch_resource` PRIMARY KEY(`resource`)
);
--> statement-breakpoint
ALTER TABLE `link_watch` ADD CONSTRAINT `link_watch_resource_resource_id_fk` FOREIGN KEY (`resource`) REFERENCES `resource`(`id`) ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `link_watch_due` ON `link_watch` (`next_at`);--> statement-breakpoint
CREATE INDEX `link_watch_host` ON `link_watch` (`host`,`next_at`);--> statement-breakpoint
CREATE INDEX `link_watch_found` ON `link_watch` (`team`,`state`,`times`);