-- Hands a database that was made by the cluster's own role over to lowfell_owner, with all that is in it. What belongs to an extension
-- stays with it; a sequence of a column goes with its table. Run as the cluster's own role, in the database; run twice it changes nothing.
DO $$
DECLARE
  thing record;
BEGIN
  FOR thing IN
    SELECT format('ALTER SCHEMA %I OWNER TO lowfell_owner', n.nspname) AS does
    FROM pg_namespace n WHERE n.nspname IN ('public', 'jobs')
    UNION ALL
    SELECT format('ALTER %s %I.%I OWNER TO lowfell_owner', CASE c.relkind WHEN 'S' THEN 'SEQUENCE' WHEN 'v' THEN 'VIEW' WHEN 'm' THEN 'MATERIALIZED VIEW' ELSE 'TABLE' END, n.nspname, c.relname)
    FROM pg_class c JOIN pg_namespace n ON n.oid = c.relnamespace
    WHERE n.nspname IN ('public', 'jobs') AND c.relkind IN ('r', 'p', 'v', 'm', 'S')
      AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = c.oid AND d.classid = 'pg_class'::regclass AND (d.deptype = 'e' OR (c.relkind = 'S' AND d.deptype IN ('a', 'i'))))
    UNION ALL
    SELECT format('ALTER ROUTINE %s OWNER TO lowfell_owner', p.oid::regprocedure)
    FROM pg_proc p JOIN pg_namespace n ON n.oid = p.pronamespace
    WHERE n.nspname IN ('public', 'jobs') AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = p.oid AND d.classid = 'pg_proc'::regclass AND d.deptype = 'e')
    UNION ALL
    SELECT format('ALTER TYPE %I.%I OWNER TO lowfell_owner', n.nspname, y.typname)
    FROM pg_type y JOIN pg_namespace n ON n.oid = y.typnamespace
    WHERE n.nspname IN ('public', 'jobs') AND y.typtype IN ('e', 'd') AND NOT EXISTS (SELECT FROM pg_depend d WHERE d.objid = y.oid AND d.classid = 'pg_type'::regclass AND d.deptype = 'e')
    UNION ALL
    SELECT format('ALTER DATABASE %I OWNER TO lowfell_owner', current_database())
  LOOP
    EXECUTE thing.does;
  END LOOP;
END $$;
