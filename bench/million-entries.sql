-- A log of a million entries over the zones that there are: years of evenings, in words of a painter.
INSERT INTO log ("Id", "BenchId", "At", "Kind", "ZoneId", "Pass", "Copy", "Minutes", "Paint", "Label", "RoomC", "RoomHumidity", "Note")
SELECT gen_random_uuid(), z."BenchId", now() - i * interval '70 seconds', CASE i % 10 WHEN 0 THEN 'Note' ELSE 'Done' END, z."Id", 1, 1 + i % 4, 3,
       (ARRAY['Slate Ground', 'Kelp Wash', 'Pale Stone', 'Salt White', 'Weed Green', 'Wet Sand'])[1 + i % 6], z."Label", 18, 0.55,
       CASE WHEN i % 50000 = 7 THEN 'quillwort on the sill' WHEN i % 10 = 0 THEN 'even over the joints, no tide mark' ELSE '' END
FROM generate_series(1, 1000000) i
JOIN (SELECT row_number() OVER () - 1 AS n, z."Id", z."BenchId", p."Name" || ', ' || z."Name" AS "Label" FROM zones z JOIN pieces p ON p."BenchId" = z."BenchId" AND p."Id" = z."PieceId") z
  ON z.n = (i::bigint * 7919) % (SELECT count(*) FROM zones);
ANALYZE;
