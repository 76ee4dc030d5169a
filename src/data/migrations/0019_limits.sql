-- How much of a limit has been used, as the library for limits keeps it.
CREATE TABLE `limit_use` (
	`key` varchar(255) character set ascii collate ascii_bin NOT NULL,
	`points` int NOT NULL DEFAULT 0,
	`expire` bigint unsigned,
	CONSTRAINT `limit_use_key` PRIMARY KEY(`key`)
);
