-- When each recipe was last cooked, without reading every batch of the house.
CREATE INDEX batch_of_recipe ON batch (kitchen_id, recipe_id, started_at DESC);
