BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0011');
CREATE TABLE applied_plan (
	id INTEGER NOT NULL, 
	at VARCHAR NOT NULL, 
	item VARCHAR NOT NULL, 
	how VARCHAR NOT NULL, 
	until VARCHAR, 
	goals JSON NOT NULL, 
	swaps JSON NOT NULL, 
	sentence VARCHAR NOT NULL, 
	"before" JSON NOT NULL, 
	"after" JSON NOT NULL, 
	ended VARCHAR, 
	CONSTRAINT pk_applied_plan PRIMARY KEY (id)
);
CREATE TABLE book (
	id INTEGER NOT NULL, 
	counter INTEGER NOT NULL, appended INTEGER DEFAULT '0' NOT NULL, 
	CONSTRAINT pk_book PRIMARY KEY (id), 
	CONSTRAINT ck_book_only_one CHECK (id = 1)
);
INSERT INTO "book" VALUES(1,2,3);
CREATE TABLE document (
	kind VARCHAR NOT NULL, 
	id VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	content JSON NOT NULL, 
	CONSTRAINT pk_document PRIMARY KEY (kind, id)
);
INSERT INTO "document" VALUES('product','plain-flour',1,'{"id": "plain-flour", "name": "Plain flour", "class": "wheat-flour", "statements": {"wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}');
INSERT INTO "document" VALUES('product','butter',2,'{"id": "butter", "name": "Butter", "class": "butter", "statements": {"milk": "contains", "soy": "may_contain"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}');
INSERT INTO "document" VALUES('preparation','white-roux',1,'{"id": "white-roux", "name": "White roux", "kind": "roux", "lines": [{"item": "plain-flour", "quantity": 100, "unit": "g", "role": "thickener"}, {"item": "butter", "quantity": 100, "unit": "g", "role": "fat"}], "statements": {}, "by_products": [], "equipment": ["chinois"], "method": []}');
INSERT INTO "document" VALUES('preparation','plate',1,'{"id": "plate", "name": "A plate", "kind": "dish", "lines": [{"item": "white-roux", "quantity": 50, "unit": "g", "role": "body"}], "statements": {}, "by_products": [], "equipment": [], "method": []}');
INSERT INTO "document" VALUES('kitchen','kitchen',1,'{"name": "Kept kitchen", "regime": "uk-14", "people": [{"initials": "AB", "name": "Ann"}]}');
INSERT INTO "document" VALUES('tool','chinois',1,'{"name": "Chinois", "id": "chinois"}');
CREATE TABLE history (
	id INTEGER NOT NULL, 
	at VARCHAR NOT NULL, 
	person VARCHAR, 
	why VARCHAR NOT NULL, 
	told VARCHAR NOT NULL, 
	kind VARCHAR NOT NULL, 
	item VARCHAR NOT NULL, 
	"before" JSON, 
	"after" JSON, 
	undoes INTEGER, 
	before_hash VARCHAR NOT NULL, 
	CONSTRAINT pk_history PRIMARY KEY (id)
);
INSERT INTO "history" VALUES(1,'2026-12-01T08:02:30.000+00:00','AB','the new label says so','Butter: soy may contain (was free)','product','butter','{"id": "butter", "name": "Butter", "class": "butter", "statements": {"milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}','{"id": "butter", "name": "Butter", "class": "butter", "statements": {"milk": "contains", "soy": "may_contain"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}',NULL,'');
CREATE TABLE notice (
	id INTEGER NOT NULL, 
	product_id VARCHAR NOT NULL, 
	maker_id VARCHAR, 
	received VARCHAR NOT NULL, 
	sheet JSON NOT NULL, 
	decided VARCHAR, 
	CONSTRAINT pk_notice PRIMARY KEY (id)
);
CREATE TABLE tool_use (
	id INTEGER NOT NULL, 
	day VARCHAR NOT NULL, 
	at VARCHAR NOT NULL, 
	tool VARCHAR NOT NULL, 
	item VARCHAR, 
	person VARCHAR, 
	CONSTRAINT pk_tool_use PRIMARY KEY (id)
);
INSERT INTO "tool_use" VALUES(1,'2026-12-01','2026-12-01T08:03:30.000+00:00','Chinois','white-roux','AB');
INSERT INTO "tool_use" VALUES(2,'2026-12-01','2026-12-01T08:04:30.000+00:00','Chinois',NULL,'AB');
INSERT INTO "tool_use" VALUES(3,'2026-12-01','2026-12-01T08:05:30.000+00:00','Chinois','plate',NULL);
CREATE INDEX ix_tool_use_day ON tool_use (day);
CREATE INDEX ix_applied_plan_item ON applied_plan (item);
CREATE INDEX ix_notice_product_id ON notice (product_id);
CREATE INDEX ix_history_at ON history (at);
CREATE INDEX ix_history_item ON history (item);
COMMIT;
