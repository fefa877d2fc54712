BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0010');
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
INSERT INTO "applied_plan" VALUES(1,'2026-11-28T08:27:00.000+00:00','plate','small_pots',NULL,'{"clear": ["wheat"]}','[{"from": "plain-flour", "to": "rice-flour"}]','Rice flour for flour.','{"white-roux-rice-flour": null}','{"white-roux-rice-flour": {"id": "white-roux-rice-flour", "name": "White roux rice flour", "kind": "roux", "lines": [{"item": "rice-flour", "quantity": 100, "unit": "g", "role": "body"}, {"item": "butter", "quantity": 100, "unit": "g", "role": "fat"}], "statements": {}, "by_products": [], "equipment": [], "method": [], "variant_of": "white-roux"}}',NULL);
CREATE TABLE book (
	id INTEGER NOT NULL, 
	counter INTEGER NOT NULL, 
	CONSTRAINT pk_book PRIMARY KEY (id), 
	CONSTRAINT ck_book_only_one CHECK (id = 1)
);
INSERT INTO "book" VALUES(1,13);
CREATE TABLE history (
	id INTEGER NOT NULL, 
	at VARCHAR NOT NULL, 
	person VARCHAR, 
	why VARCHAR NOT NULL, 
	told VARCHAR NOT NULL, 
	item VARCHAR NOT NULL, 
	"before" JSON, 
	"after" JSON, 
	undoes INTEGER, 
	CONSTRAINT pk_history PRIMARY KEY (id)
);
INSERT INTO "history" VALUES(1,'2026-11-28T08:03:00.000+00:00','AB','the first cards','Plain flour: new in the larder','plain-flour',NULL,'{"id": "plain-flour", "name": "Plain flour", "class": "plain-flour", "statements": {"wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(2,'2026-11-28T08:03:00.000+00:00','AB','the first cards','Rice flour: new in the larder','rice-flour',NULL,'{"id": "rice-flour", "name": "Rice flour", "class": "rice-flour", "statements": {}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(3,'2026-11-28T08:03:00.000+00:00','AB','the first cards','Butter: new in the larder','butter',NULL,'{"id": "butter", "name": "Butter", "class": "butter", "statements": {"milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(4,'2026-11-28T08:03:00.000+00:00','AB','the first cards','Milk: new in the larder','milk',NULL,'{"id": "milk", "name": "Milk", "class": "milk", "statements": {"milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": 1.03, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(5,'2026-11-28T08:03:00.000+00:00','AB','the first cards','White roux: a new card','white-roux',NULL,'{"id": "white-roux", "name": "White roux", "kind": "roux", "lines": [{"item": "plain-flour", "quantity": 100, "unit": "g", "role": "body"}, {"item": "butter", "quantity": 100, "unit": "g", "role": "fat"}], "statements": {}, "by_products": [], "equipment": [], "method": []}',NULL);
INSERT INTO "history" VALUES(6,'2026-11-28T08:03:00.000+00:00','AB','the first cards','Bechamel: a new card','bechamel',NULL,'{"id": "bechamel", "name": "Bechamel", "kind": "sauce", "lines": [{"item": "white-roux", "quantity": 100, "unit": "g", "role": "thickener"}, {"item": "milk", "quantity": 1, "unit": "l", "role": "liquid"}], "statements": {}, "by_products": [], "equipment": [], "method": []}',NULL);
INSERT INTO "history" VALUES(7,'2026-11-28T08:03:00.000+00:00','AB','the first cards','Plate: a new card','plate',NULL,'{"id": "plate", "name": "Plate", "kind": "dish", "lines": [{"item": "bechamel", "quantity": 100, "unit": "g", "role": "body"}], "statements": {}, "by_products": [], "equipment": [], "method": []}',NULL);
INSERT INTO "history" VALUES(8,'2026-11-28T08:03:00.000+00:00','AB','the first cards','Old plate: a new card','old-plate',NULL,'{"id": "old-plate", "name": "Old plate", "kind": "dish", "lines": [{"item": "butter", "quantity": 100, "unit": "g", "role": "body"}], "statements": {}, "by_products": [], "equipment": [], "method": []}',NULL);
INSERT INTO "history" VALUES(9,'2026-11-28T08:14:00.000+00:00','AB','a guest asked','Plain flour: buckwheat is a flag from now on','plain-flour','{"id": "plain-flour", "name": "Plain flour", "class": "plain-flour", "statements": {"wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}','{"id": "plain-flour", "name": "Plain flour", "class": "plain-flour", "statements": {"buckwheat": "unchecked", "wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(10,'2026-11-28T08:14:00.000+00:00','AB','a guest asked','Rice flour: buckwheat is a flag from now on','rice-flour','{"id": "rice-flour", "name": "Rice flour", "class": "rice-flour", "statements": {}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}','{"id": "rice-flour", "name": "Rice flour", "class": "rice-flour", "statements": {"buckwheat": "unchecked"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(11,'2026-11-28T08:14:00.000+00:00','AB','a guest asked','Butter: buckwheat is a flag from now on','butter','{"id": "butter", "name": "Butter", "class": "butter", "statements": {"milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}','{"id": "butter", "name": "Butter", "class": "butter", "statements": {"buckwheat": "unchecked", "milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(12,'2026-11-28T08:14:00.000+00:00','AB','a guest asked','Milk: buckwheat is a flag from now on','milk','{"id": "milk", "name": "Milk", "class": "milk", "statements": {"milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": 1.03, "unit_weight_g": null}','{"id": "milk", "name": "Milk", "class": "milk", "statements": {"buckwheat": "unchecked", "milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": 1.03, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(13,'2026-11-28T08:17:00.000+00:00','AB','new label','Plain flour: soy may contain (was free)','plain-flour','{"id": "plain-flour", "name": "Plain flour", "class": "plain-flour", "statements": {"buckwheat": "unchecked", "wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}','{"id": "plain-flour", "name": "Plain flour", "class": "plain-flour", "statements": {"buckwheat": "unchecked", "soy": "may_contain", "wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}',NULL);
INSERT INTO "history" VALUES(14,'2026-11-28T08:28:00.000+00:00','AB','','White roux rice flour: a new card','white-roux-rice-flour',NULL,'{"id": "white-roux-rice-flour", "name": "White roux rice flour", "kind": "roux", "lines": [{"item": "rice-flour", "quantity": 100, "unit": "g", "role": "body"}, {"item": "butter", "quantity": 100, "unit": "g", "role": "fat"}], "statements": {}, "by_products": [], "equipment": [], "method": [], "variant_of": "white-roux"}',NULL);
CREATE TABLE house_flag (
	id VARCHAR NOT NULL, 
	name VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_house_flag PRIMARY KEY (id)
);
INSERT INTO "house_flag" VALUES('buckwheat','Buckwheat',7);
CREATE TABLE kitchen (
	id INTEGER NOT NULL, 
	version INTEGER NOT NULL, 
	content JSON NOT NULL, 
	CONSTRAINT pk_kitchen PRIMARY KEY (id)
);
INSERT INTO "kitchen" VALUES(1,2,'{"name": "Harbour steps", "regime": "us-9", "people": [{"initials": "AB", "name": "Ada Brook"}]}');
CREATE TABLE need (
	id VARCHAR NOT NULL, 
	guest VARCHAR NOT NULL, 
	clear JSON NOT NULL, 
	fit JSON NOT NULL, 
	strictness VARCHAR NOT NULL, version INTEGER DEFAULT '1' NOT NULL, 
	CONSTRAINT pk_need PRIMARY KEY (id)
);
INSERT INTO "need" VALUES('table-four','Table four','["milk"]','[]','severe',5);
CREATE TABLE notice (
	id INTEGER NOT NULL, 
	product_id VARCHAR NOT NULL, 
	maker_id VARCHAR, 
	received VARCHAR NOT NULL, 
	sheet JSON NOT NULL, 
	decided VARCHAR, 
	CONSTRAINT pk_notice PRIMARY KEY (id), 
	CONSTRAINT fk_notice_product_id FOREIGN KEY(product_id) REFERENCES product (id) ON DELETE CASCADE
);
INSERT INTO "notice" VALUES(1,'butter','','2026-11-28','{"statements": {"milk": "contains"}}',NULL);
CREATE TABLE preparation (
	id VARCHAR NOT NULL, 
	kind VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	content JSON NOT NULL, 
	CONSTRAINT pk_preparation PRIMARY KEY (id)
);
INSERT INTO "preparation" VALUES('white-roux','roux',1,'{"id": "white-roux", "name": "White roux", "kind": "roux", "lines": [{"item": "plain-flour", "quantity": 100, "unit": "g", "role": "body"}, {"item": "butter", "quantity": 100, "unit": "g", "role": "fat"}], "statements": {}, "by_products": [], "equipment": [], "method": []}');
INSERT INTO "preparation" VALUES('bechamel','sauce',1,'{"id": "bechamel", "name": "Bechamel", "kind": "sauce", "lines": [{"item": "white-roux", "quantity": 100, "unit": "g", "role": "thickener"}, {"item": "milk", "quantity": 1, "unit": "l", "role": "liquid"}], "statements": {}, "by_products": [], "equipment": [], "method": []}');
INSERT INTO "preparation" VALUES('plate','dish',1,'{"id": "plate", "name": "Plate", "kind": "dish", "lines": [{"item": "bechamel", "quantity": 100, "unit": "g", "role": "body"}], "statements": {}, "by_products": [], "equipment": [], "method": []}');
INSERT INTO "preparation" VALUES('old-plate','dish',1,'{"id": "old-plate", "name": "Old plate", "kind": "dish", "lines": [{"item": "butter", "quantity": 100, "unit": "g", "role": "body"}], "statements": {}, "by_products": [], "equipment": [], "method": []}');
INSERT INTO "preparation" VALUES('white-roux-rice-flour','roux',13,'{"id": "white-roux-rice-flour", "name": "White roux rice flour", "kind": "roux", "lines": [{"item": "rice-flour", "quantity": 100, "unit": "g", "role": "body"}, {"item": "butter", "quantity": 100, "unit": "g", "role": "fat"}], "statements": {}, "by_products": [], "equipment": [], "method": [], "variant_of": "white-roux"}');
CREATE TABLE product (
	id VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	content JSON NOT NULL, 
	CONSTRAINT pk_product PRIMARY KEY (id)
);
INSERT INTO "product" VALUES('plain-flour',8,'{"id": "plain-flour", "name": "Plain flour", "class": "plain-flour", "statements": {"buckwheat": "unchecked", "soy": "may_contain", "wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}');
INSERT INTO "product" VALUES('rice-flour',7,'{"id": "rice-flour", "name": "Rice flour", "class": "rice-flour", "statements": {"buckwheat": "unchecked"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}');
INSERT INTO "product" VALUES('butter',7,'{"id": "butter", "name": "Butter", "class": "butter", "statements": {"buckwheat": "unchecked", "milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null}');
INSERT INTO "product" VALUES('milk',7,'{"id": "milk", "name": "Milk", "class": "milk", "statements": {"buckwheat": "unchecked", "milk": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": 1.03, "unit_weight_g": null}');
CREATE TABLE sign_off (
	preparation_id VARCHAR NOT NULL, 
	person VARCHAR NOT NULL, 
	date VARCHAR NOT NULL, 
	stale_since VARCHAR, 
	stale_by VARCHAR, 
	CONSTRAINT pk_sign_off PRIMARY KEY (preparation_id), 
	CONSTRAINT fk_sign_off_preparation_id FOREIGN KEY(preparation_id) REFERENCES preparation (id) ON DELETE CASCADE
);
INSERT INTO "sign_off" VALUES('plate','AB','2026-11-28',NULL,NULL);
CREATE TABLE swap_rule (
	id VARCHAR NOT NULL, 
	own JSON, 
	off BOOLEAN NOT NULL, 
	notes JSON NOT NULL, 
	flavour DOUBLE, 
	texture DOUBLE, 
	colour DOUBLE, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_swap_rule PRIMARY KEY (id)
);
INSERT INTO "swap_rule" VALUES('no-nuts',NULL,1,'[{"text": "Too dull.", "date": "2026-11-28", "item": "plate"}]',NULL,NULL,NULL,6);
CREATE TABLE tool (
	name VARCHAR NOT NULL, 
	dedicated BOOLEAN NOT NULL, 
	always_shared BOOLEAN NOT NULL, id VARCHAR DEFAULT '' NOT NULL, version INTEGER DEFAULT '1' NOT NULL, 
	CONSTRAINT pk_tool PRIMARY KEY (name)
);
INSERT INTO "tool" VALUES('Chinois',0,1,'chinois',3);
INSERT INTO "tool" VALUES('Fryer',1,0,'fryer',4);
CREATE TABLE tool_use (
	id INTEGER NOT NULL, 
	day VARCHAR NOT NULL, 
	at VARCHAR NOT NULL, 
	tool VARCHAR NOT NULL, 
	item VARCHAR, 
	person VARCHAR, 
	CONSTRAINT pk_tool_use PRIMARY KEY (id)
);
INSERT INTO "tool_use" VALUES(1,'2026-11-28','2026-11-28T08:23:00.000+00:00','Chinois','bechamel','AB');
INSERT INTO "tool_use" VALUES(2,'2026-11-28','2026-11-28T08:25:00.000+00:00','Chinois',NULL,'AB');
CREATE INDEX ix_tool_use_day ON tool_use (day);
CREATE INDEX ix_history_at ON history (at);
CREATE INDEX ix_history_item ON history (item);
CREATE INDEX ix_applied_plan_item ON applied_plan (item);
CREATE INDEX ix_notice_product_id ON notice (product_id);
COMMIT;
