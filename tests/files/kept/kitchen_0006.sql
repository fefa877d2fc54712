BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0006');
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
INSERT INTO "applied_plan" VALUES(1,'2026-11-22T09:00:00.000+00:00','white-roux','variant',NULL,'{"clear": ["wheat"], "fit": []}','[{"in": "white-roux", "line": 0, "from": "plain-flour", "to": "rice-flour", "quantity": 100, "unit": "g", "rule": "rice-flour-roux"}]','Without wheat.','{"white-roux-rice-flour": null}','{"white-roux-rice-flour": {"id": "white-roux-rice-flour", "name": "White roux, rice flour", "kind": "roux", "class": "white-roux", "colour": "white", "lines": [{"item": "rice-flour", "quantity": 100, "unit": "g", "role": "thickener"}, {"item": "butter", "quantity": 100, "unit": "g", "role": "fat", "note": "soft", "equipment": ["pan"]}], "statements": {}, "yield": {"quantity": 190, "unit": "g"}, "by_products": [], "equipment": [], "method": [{"text": "Melt the butter.", "minutes": 3, "heat": "low", "cue": "foam sinks", "caution": "Hot fat.", "equipment": ["pan"], "uses": ["butter"]}, {"text": "Instead of Plain flour: Use finely milled rice flour and whisk it into the hot fat.", "uses": ["rice-flour"]}, {"text": "Instead of Plain flour: Whisk two minutes longer than with wheat flour, and simmer ten minutes.", "minutes": 2, "uses": ["rice-flour"]}, {"text": "Rice flour in.", "uses": ["rice-flour"], "passive": true}], "variant_of": "white-roux"}}',NULL);
CREATE TABLE by_product (
	preparation_id VARCHAR NOT NULL, 
	id VARCHAR NOT NULL, 
	position INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	quantity DOUBLE, 
	unit VARCHAR, 
	CONSTRAINT pk_by_product PRIMARY KEY (preparation_id, id), 
	CONSTRAINT fk_by_product_preparation_id FOREIGN KEY(preparation_id) REFERENCES preparation (id) ON DELETE CASCADE
);
INSERT INTO "by_product" VALUES('stock','fat',0,'Skimmed fat',0.1,'l');
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
INSERT INTO "history" VALUES(1,'2026-11-21T09:00:00.000+00:00','AB','a new pack','Rice flour: changed, no flag with it','rice-flour','{"id": "rice-flour", "name": "Rice flour", "class": "rice-flour", "statements": {}, "otherwise": "free", "certificates": ["gluten_free"], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null, "papers": {"gluten_free": {"number": "17", "expires": "2027-01-31"}}}','{"id": "rice-flour", "name": "Rice flour", "class": "rice-flour", "statements": {}, "otherwise": "free", "certificates": ["gluten_free"], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": null, "unit_weight_g": null, "papers": {"gluten_free": {"number": "17", "expires": "2027-01-31"}}, "pack": "5 kg"}',NULL);
INSERT INTO "history" VALUES(2,'2026-11-22T09:00:00.000+00:00','AB','new label','Plain flour: soy may contain (was free)','plain-flour','{"id": "plain-flour", "name": "Plain flour", "class": "wheat-flour", "statements": {"wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": 0.53, "unit_weight_g": null, "price_per_kg": 1.2, "evidence": {"otherwise": {"kind": "label", "date": "2026-11-01", "person": "AB"}, "wheat": {"kind": "label", "date": "2026-11-01", "person": "AB"}}, "label": "Wheat flour.", "pack": "16 kg", "code": "2000000000022"}','{"id": "plain-flour", "name": "Plain flour", "class": "wheat-flour", "statements": {"soy": "may_contain", "wheat": "contains"}, "otherwise": "free", "certificates": [], "abv_percent": null, "salt_g_per_100g": null, "so2_mg_per_kg": null, "density_g_per_ml": 0.53, "unit_weight_g": null, "price_per_kg": 1.2, "evidence": {"otherwise": {"kind": "label", "date": "2026-11-01", "person": "AB"}, "wheat": {"kind": "label", "date": "2026-11-01", "person": "AB"}}, "label": "Wheat flour.", "pack": "16 kg", "code": "2000000000022"}',NULL);
INSERT INTO "history" VALUES(3,'2026-11-22T09:00:00.000+00:00','AB','for table 4','White roux, rice flour: a new card','white-roux-rice-flour',NULL,'{"id": "white-roux-rice-flour", "name": "White roux, rice flour", "kind": "roux", "class": "white-roux", "colour": "white", "lines": [{"item": "rice-flour", "quantity": 100, "unit": "g", "role": "thickener"}, {"item": "butter", "quantity": 100, "unit": "g", "role": "fat", "note": "soft", "equipment": ["pan"]}], "statements": {}, "yield": {"quantity": 190, "unit": "g"}, "by_products": [], "equipment": [], "method": [{"text": "Melt the butter.", "minutes": 3, "heat": "low", "cue": "foam sinks", "caution": "Hot fat.", "equipment": ["pan"], "uses": ["butter"]}, {"text": "Instead of Plain flour: Use finely milled rice flour and whisk it into the hot fat.", "uses": ["rice-flour"]}, {"text": "Instead of Plain flour: Whisk two minutes longer than with wheat flour, and simmer ten minutes.", "minutes": 2, "uses": ["rice-flour"]}, {"text": "Rice flour in.", "uses": ["rice-flour"], "passive": true}], "variant_of": "white-roux"}',NULL);
CREATE TABLE house_flag (
	id VARCHAR NOT NULL, 
	name VARCHAR NOT NULL, 
	version INTEGER NOT NULL, 
	CONSTRAINT pk_house_flag PRIMARY KEY (id)
);
INSERT INTO "house_flag" VALUES('chilli','Chilli',1);
CREATE TABLE kitchen (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	regime VARCHAR NOT NULL, 
	version INTEGER NOT NULL, second_look_days INTEGER DEFAULT '180' NOT NULL, people JSON DEFAULT '[]' NOT NULL, spoons VARCHAR DEFAULT 'us' NOT NULL, measures JSON DEFAULT '[]' NOT NULL, so2_by_amount BOOLEAN DEFAULT '0' NOT NULL, weigh_to_g DOUBLE DEFAULT '1' NOT NULL, measure_to_ml DOUBLE DEFAULT '5' NOT NULL, swap_order JSON DEFAULT '[]' NOT NULL, 
	CONSTRAINT pk_kitchen PRIMARY KEY (id), 
	CONSTRAINT ck_kitchen_only_one CHECK (id = 1)
);
INSERT INTO "kitchen" VALUES(1,'Small kitchen','uk-14',1,90,'[{"initials": "AB", "name": "Ann"}]','metric','[{"name": "scoop", "quantity": 60.0, "unit": "ml"}]',1,5.0,10.0,'["pots", "adds", "swaps", "fidelity", "cost"]');
CREATE TABLE line (
	preparation_id VARCHAR NOT NULL, 
	position INTEGER NOT NULL, 
	product_id VARCHAR, 
	made_id VARCHAR, 
	by_product_id VARCHAR, 
	quantity DOUBLE NOT NULL, 
	unit VARCHAR NOT NULL, 
	role VARCHAR NOT NULL, 
	stage VARCHAR NOT NULL, 
	optional BOOLEAN NOT NULL, 
	strained_out BOOLEAN NOT NULL, 
	choice VARCHAR, 
	chosen BOOLEAN NOT NULL, 
	note VARCHAR NOT NULL, equipment JSON DEFAULT '[]' NOT NULL, treatment VARCHAR DEFAULT 'none' NOT NULL, "group" VARCHAR DEFAULT '' NOT NULL, typed VARCHAR DEFAULT '' NOT NULL, minutes DOUBLE, 
	CONSTRAINT pk_line PRIMARY KEY (preparation_id, position), 
	CONSTRAINT ck_line_one_item CHECK ((product_id IS NULL) <> (made_id IS NULL)), 
	CONSTRAINT ck_line_amount CHECK (quantity >= 0), 
	CONSTRAINT fk_line_by_product FOREIGN KEY(made_id, by_product_id) REFERENCES by_product (preparation_id, id) DEFERRABLE INITIALLY DEFERRED, 
	CONSTRAINT fk_line_made_id FOREIGN KEY(made_id) REFERENCES preparation (id) DEFERRABLE INITIALLY DEFERRED, 
	CONSTRAINT fk_line_preparation_id FOREIGN KEY(preparation_id) REFERENCES preparation (id) ON DELETE CASCADE, 
	CONSTRAINT fk_line_product_id FOREIGN KEY(product_id) REFERENCES product (id) DEFERRABLE INITIALLY DEFERRED
);
INSERT INTO "line" VALUES('white-roux',0,'plain-flour',NULL,NULL,100.0,'g','thickener','cook',0,0,NULL,0,'','[]','none','','',NULL);
INSERT INTO "line" VALUES('white-roux',1,'butter',NULL,NULL,100.0,'g','fat','cook',0,0,NULL,0,'soft','["pan"]','none','','',NULL);
INSERT INTO "line" VALUES('sauce',0,NULL,'white-roux',NULL,190.0,'g','thickener','cook',0,0,NULL,0,'','[]','none','','',NULL);
INSERT INTO "line" VALUES('sauce',1,NULL,'stock',NULL,1.0,'l','liquid','cook',0,0,'liquid',1,'','[]','none','','',NULL);
INSERT INTO "line" VALUES('sauce',2,NULL,'stock','fat',20.0,'g','fat','cook',1,0,NULL,0,'','[]','none','','',NULL);
INSERT INTO "line" VALUES('sauce',3,'shells',NULL,NULL,50.0,'g','aromatic','cook',0,1,NULL,0,'','[]','simmered','Base','',20.0);
INSERT INTO "line" VALUES('plate',0,NULL,'sauce',NULL,0.2,'l','body','cook',0,0,NULL,0,'','[]','none','','',NULL);
INSERT INTO "line" VALUES('old-plate',0,NULL,'sauce',NULL,0.2,'l','body','cook',0,0,NULL,0,'','[]','none','','',NULL);
INSERT INTO "line" VALUES('white-roux-rice-flour',0,'rice-flour',NULL,NULL,100.0,'g','thickener','cook',0,0,NULL,0,'','[]','none','','',NULL);
INSERT INTO "line" VALUES('white-roux-rice-flour',1,'butter',NULL,NULL,100.0,'g','fat','cook',0,0,NULL,0,'soft','["pan"]','none','','',NULL);
CREATE TABLE need (
	id VARCHAR NOT NULL, 
	guest VARCHAR NOT NULL, 
	clear JSON NOT NULL, 
	fit JSON NOT NULL, 
	strictness VARCHAR NOT NULL, 
	CONSTRAINT pk_need PRIMARY KEY (id)
);
INSERT INTO "need" VALUES('n-1','Guest one','["wheat"]','["vegan"]','allergy');
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
INSERT INTO "notice" VALUES(1,'plain-flour',NULL,'2026-11-22','{"name": "Plain flour", "statements": {"wheat": "contains", "soy": "contains"}}',NULL);
CREATE TABLE preparation (
	id VARCHAR NOT NULL, 
	name VARCHAR NOT NULL, 
	kind VARCHAR NOT NULL, 
	class VARCHAR, 
	colour VARCHAR, 
	otherwise VARCHAR, 
	yield_quantity DOUBLE, 
	yield_unit VARCHAR, 
	equipment JSON NOT NULL, 
	variant_of VARCHAR, 
	version INTEGER NOT NULL, yield_note VARCHAR DEFAULT '' NOT NULL, way VARCHAR DEFAULT '' NOT NULL, batches JSON DEFAULT '[]' NOT NULL, ways JSON DEFAULT '[]' NOT NULL, density_g_per_ml DOUBLE, portions DOUBLE, pan JSON, retired VARCHAR, not_in_it JSON DEFAULT '[]' NOT NULL, 
	CONSTRAINT pk_preparation PRIMARY KEY (id), 
	CONSTRAINT fk_preparation_variant_of FOREIGN KEY(variant_of) REFERENCES preparation (id) DEFERRABLE INITIALLY DEFERRED
);
INSERT INTO "preparation" VALUES('white-roux','White roux','roux','white-roux','white',NULL,190.0,'g','[]',NULL,1,'','hot','[]','[{"name": "cold", "lines": [{"item": "rice-flour", "quantity": 90.0, "unit": "g", "role": "thickener", "stage": "cook", "optional": false, "strained_out": false, "choice": null, "chosen": false, "note": "", "equipment": [], "treatment": "none", "minutes": null, "group": "", "typed": ""}], "method": [{"text": "Whisk.", "minutes": null, "heat": null, "cue": null, "caution": null, "equipment": [], "uses": [], "passive": false}], "colour": "white", "yield": {"quantity": 100.0, "unit": "g", "note": "it swells"}, "portions": 2.0}]',NULL,NULL,NULL,NULL,'[]');
INSERT INTO "preparation" VALUES('stock','Stock','stock',NULL,NULL,'unchecked',NULL,NULL,'[]',NULL,1,'','','[]','[]',NULL,NULL,NULL,NULL,'[]');
INSERT INTO "preparation" VALUES('sauce','Sauce','sauce',NULL,'white',NULL,2.0,'l','[]',NULL,1,'it swells','','[{"date": "2026-11-01", "filled_l": 5.0, "came_out_l": 4.0, "minutes": 40.0}]','[]',1.02,8.0,'{"width_cm": 28.0, "lid": "ajar"}',NULL,'["prawns"]');
INSERT INTO "preparation" VALUES('plate','Plate','dish',NULL,NULL,NULL,NULL,NULL,'[]',NULL,1,'','','[]','[]',NULL,NULL,NULL,NULL,'[]');
INSERT INTO "preparation" VALUES('old-plate','Old plate','dish',NULL,NULL,NULL,NULL,NULL,'[]',NULL,1,'','','[]','[]',NULL,NULL,NULL,'2026-11-19','[]');
INSERT INTO "preparation" VALUES('white-roux-rice-flour','White roux, rice flour','roux','white-roux','white',NULL,190.0,'g','[]','white-roux',1,'','','[]','[]',NULL,NULL,NULL,NULL,'[]');
CREATE TABLE product (
	id VARCHAR NOT NULL, 
	name VARCHAR NOT NULL, 
	class VARCHAR NOT NULL, 
	otherwise VARCHAR NOT NULL, 
	certificates JSON NOT NULL, 
	abv_percent DOUBLE, 
	salt_g_per_100g DOUBLE, 
	so2_mg_per_kg DOUBLE, 
	density_g_per_ml DOUBLE, 
	unit_weight_g DOUBLE, 
	version INTEGER NOT NULL, papers JSON DEFAULT '{}' NOT NULL, label VARCHAR DEFAULT '' NOT NULL, pack VARCHAR DEFAULT '' NOT NULL, code VARCHAR DEFAULT '' NOT NULL, makers JSON DEFAULT '[]' NOT NULL, parts JSON DEFAULT '[]' NOT NULL, in_use VARCHAR, bag JSON, price_per_kg DOUBLE, 
	CONSTRAINT pk_product PRIMARY KEY (id)
);
INSERT INTO "product" VALUES('plain-flour','Plain flour','wheat-flour','free','[]',NULL,NULL,NULL,0.53,NULL,2,'{}','Wheat flour.','16 kg','2000000000022','[]','[]',NULL,NULL,1.2);
INSERT INTO "product" VALUES('rice-flour','Rice flour','rice-flour','free','["gluten_free"]',NULL,NULL,NULL,NULL,NULL,2,'{"gluten_free": {"number": "17", "expires": "2027-01-31"}}','','5 kg','','[]','[]',NULL,NULL,NULL);
INSERT INTO "product" VALUES('butter','Butter','butter','unchecked','[]',NULL,NULL,NULL,NULL,NULL,1,'{}','','','','[{"id": "dale", "name": "Dale", "statements": {"milk": "contains"}, "otherwise": "free", "certificates": [], "papers": {}, "evidence": {}, "label": "Butter (milk).", "pack": "", "code": ""}, {"id": "moor", "name": "Moor", "statements": {"milk": "contains", "soy": "may_contain"}, "otherwise": "unchecked", "certificates": [], "papers": {}, "evidence": {}, "label": "", "pack": "", "code": ""}]','[]','dale',NULL,NULL);
INSERT INTO "product" VALUES('fat-mix','Fat mix','other','unchecked','[]',NULL,NULL,NULL,NULL,NULL,1,'{}','','','','[]','[{"product": "butter", "percent": 60.0}]',NULL,NULL,NULL);
INSERT INTO "product" VALUES('shells','Shells','crustacean','unchecked','[]',NULL,NULL,NULL,NULL,NULL,1,'{}','','','','[]','[]',NULL,'{"additions": [{"item": "butter", "date": "2026-11-10", "person": "AB", "statements": {"milk": "contains"}, "certificates": [], "live": true}], "emptied": "2026-11-09", "emptied_by": "AB"}',NULL);
CREATE TABLE sign_off (
	preparation_id VARCHAR NOT NULL, 
	person VARCHAR NOT NULL, 
	date VARCHAR NOT NULL, 
	stale_since VARCHAR, 
	stale_by VARCHAR, 
	CONSTRAINT pk_sign_off PRIMARY KEY (preparation_id), 
	CONSTRAINT fk_sign_off_preparation_id FOREIGN KEY(preparation_id) REFERENCES preparation (id) ON DELETE CASCADE
);
INSERT INTO "sign_off" VALUES('plate','AB','2026-11-21',NULL,NULL);
CREATE TABLE statement (
	id INTEGER NOT NULL, 
	product_id VARCHAR, 
	preparation_id VARCHAR, 
	flag VARCHAR NOT NULL, 
	level VARCHAR, 
	evidence VARCHAR, 
	date VARCHAR, 
	person VARCHAR, 
	CONSTRAINT pk_statement PRIMARY KEY (id), 
	CONSTRAINT ck_statement_level CHECK (level IN ('free', 'may_contain', 'unchecked', 'contains') OR (level IS NULL AND flag = 'otherwise')), 
	CONSTRAINT ck_statement_one_owner CHECK ((product_id IS NULL) <> (preparation_id IS NULL)), 
	CONSTRAINT fk_statement_preparation_id FOREIGN KEY(preparation_id) REFERENCES preparation (id) ON DELETE CASCADE, 
	CONSTRAINT fk_statement_product_id FOREIGN KEY(product_id) REFERENCES product (id) ON DELETE CASCADE
);
INSERT INTO "statement" VALUES(3,'butter',NULL,'milk','contains',NULL,NULL,NULL);
INSERT INTO "statement" VALUES(4,'shells',NULL,'crustacean','contains',NULL,NULL,NULL);
INSERT INTO "statement" VALUES(5,NULL,'stock','celery','contains','own_knowledge',NULL,NULL);
INSERT INTO "statement" VALUES(6,'plain-flour',NULL,'wheat','contains','label','2026-11-01','AB');
INSERT INTO "statement" VALUES(7,'plain-flour',NULL,'soy','may_contain',NULL,NULL,NULL);
INSERT INTO "statement" VALUES(8,'plain-flour',NULL,'otherwise',NULL,'label','2026-11-01','AB');
CREATE TABLE step (
	preparation_id VARCHAR NOT NULL, 
	position INTEGER NOT NULL, 
	text VARCHAR NOT NULL, 
	minutes DOUBLE, 
	heat VARCHAR, 
	cue VARCHAR, 
	caution VARCHAR, 
	equipment JSON NOT NULL, uses JSON DEFAULT '[]' NOT NULL, passive BOOLEAN DEFAULT '0' NOT NULL, 
	CONSTRAINT pk_step PRIMARY KEY (preparation_id, position), 
	CONSTRAINT fk_step_preparation_id FOREIGN KEY(preparation_id) REFERENCES preparation (id) ON DELETE CASCADE
);
INSERT INTO "step" VALUES('white-roux',0,'Melt the butter.',3.0,'low','foam sinks','Hot fat.','["pan"]','["butter"]',0);
INSERT INTO "step" VALUES('white-roux',1,'Flour in.',NULL,NULL,NULL,NULL,'[]','["plain-flour"]',1);
INSERT INTO "step" VALUES('white-roux-rice-flour',0,'Melt the butter.',3.0,'low','foam sinks','Hot fat.','["pan"]','["butter"]',0);
INSERT INTO "step" VALUES('white-roux-rice-flour',1,'Instead of Plain flour: Use finely milled rice flour and whisk it into the hot fat.',NULL,NULL,NULL,NULL,'[]','["rice-flour"]',0);
INSERT INTO "step" VALUES('white-roux-rice-flour',2,'Instead of Plain flour: Whisk two minutes longer than with wheat flour, and simmer ten minutes.',2.0,NULL,NULL,NULL,'[]','["rice-flour"]',0);
INSERT INTO "step" VALUES('white-roux-rice-flour',3,'Rice flour in.',NULL,NULL,NULL,NULL,'[]','["rice-flour"]',1);
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
INSERT INTO "swap_rule" VALUES('rice-flour-roux',NULL,0,'[{"text": "whisk longer", "date": "2026-11-11", "item": "sauce"}]',0.9,0.8,1.0,1);
CREATE TABLE tool (
	name VARCHAR NOT NULL, 
	dedicated BOOLEAN NOT NULL, 
	always_shared BOOLEAN NOT NULL, 
	CONSTRAINT pk_tool PRIMARY KEY (name)
);
INSERT INTO "tool" VALUES('Sieve',0,1);
INSERT INTO "tool" VALUES('White sieve',1,0);
CREATE TABLE tool_use (
	id INTEGER NOT NULL, 
	day VARCHAR NOT NULL, 
	at VARCHAR NOT NULL, 
	tool VARCHAR NOT NULL, 
	item VARCHAR, 
	person VARCHAR, 
	CONSTRAINT pk_tool_use PRIMARY KEY (id)
);
INSERT INTO "tool_use" VALUES(1,'2026-11-22','2026-11-22T09:00:00.000+00:00','Sieve','stock','AB');
INSERT INTO "tool_use" VALUES(2,'2026-11-22','2026-11-22T09:05:00.000+00:00','Sieve',NULL,NULL);
CREATE INDEX ix_statement_preparation_id ON statement (preparation_id);
CREATE INDEX ix_statement_product_id ON statement (product_id);
CREATE INDEX ix_line_made_id ON line (made_id);
CREATE INDEX ix_line_product_id ON line (product_id);
CREATE INDEX ix_tool_use_day ON tool_use (day);
CREATE INDEX ix_history_at ON history (at);
CREATE INDEX ix_history_item ON history (item);
CREATE INDEX ix_notice_product_id ON notice (product_id);
CREATE INDEX ix_applied_plan_item ON applied_plan (item);
COMMIT;
