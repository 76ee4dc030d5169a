ALTER TABLE `link_watch` ADD `ways` json;--> statement-breakpoint
ALTER TABLE `link_watch` ADD `sought_at` datetime(3);--> statement-breakpoint
ALTER TABLE `link_watch` ADD `inside_asked` int;--> statement-breakpoint
ALTER TABLE `link_watch` ADD `inside_dead` json;--> statement-breakpoint
ALTER TABLE `link_watch` ADD `inside_at` datetime(3);