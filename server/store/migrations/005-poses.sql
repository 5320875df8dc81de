-- Poses take the names of the literature: rotation, aspect, flipped; pieces are combined.
UPDATE motifs
SET recipe = jsonb_set(recipe, '{parts}', (
  SELECT jsonb_agg(
    (part - 'turn' - 'stretch' - 'mirrored')
      || jsonb_build_object('rotation', part->'turn', 'aspect', part->'stretch', 'flipped', part->'mirrored')
    ORDER BY place)
  FROM jsonb_array_elements(recipe->'parts') WITH ORDINALITY AS listed (part, place)
))
WHERE recipe->>'kind' = 'bundle';

UPDATE motifs
SET recipe = jsonb_set(recipe, '{pieces}', (
  SELECT jsonb_agg(
    (piece - 'turn' - 'meeting') || jsonb_build_object('rotation', piece->'turn', 'combine', piece->'meeting')
    ORDER BY place)
  FROM jsonb_array_elements(recipe->'pieces') WITH ORDINALITY AS listed (piece, place)
))
WHERE recipe->>'kind' = 'shape';

-- Saves hold commands in the old names; a window that is behind reads the design whole.
DELETE FROM saves;
