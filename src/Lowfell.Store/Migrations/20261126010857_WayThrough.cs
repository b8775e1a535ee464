using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class WayThrough : Migration
    {
        private static readonly string[] Named = ["sets", "pieces", "zones", "materials", "mixes", "tiles"];

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_log_BenchId_At",
                table: "log");

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "ChangedAt",
                table: "schemes",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "log_marks",
                columns: table => new
                {
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    SetId = table.Column<Guid>(type: "uuid", nullable: false),
                    Entries = table.Column<long>(type: "bigint", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_log_marks", x => new { x.BenchId, x.SetId });
                    table.ForeignKey(
                        name: "FK_log_marks_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_log_marks_sets_BenchId_SetId",
                        columns: x => new { x.BenchId, x.SetId },
                        principalTable: "sets",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "scheme_versions",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    SchemeId = table.Column<Guid>(type: "uuid", nullable: false),
                    From = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    Until = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Coats = table.Column<string>(type: "text", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_scheme_versions", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_scheme_versions_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_scheme_versions_schemes_BenchId_SchemeId",
                        columns: x => new { x.BenchId, x.SchemeId },
                        principalTable: "schemes",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_At_Id",
                table: "log",
                columns: new[] { "BenchId", "At", "Id" });

            migrationBuilder.CreateIndex(
                name: "IX_scheme_versions_BenchId_SchemeId_Until",
                table: "scheme_versions",
                columns: new[] { "BenchId", "SchemeId", "Until" });

            // Names are found by the letters they have in common, entries of the log by the beginnings of their words.
            migrationBuilder.Sql("CREATE EXTENSION IF NOT EXISTS pg_trgm");
            foreach (var table in Named)
            {
                migrationBuilder.Sql($"""CREATE INDEX "IX_{table}_letters" ON {table} USING gin ("Name" gin_trgm_ops)""");
            }

            migrationBuilder.Sql(
                """
                CREATE FUNCTION lowfell_words(label text, paint text, note text, cause text, remedy text, deviation text, who text) RETURNS tsvector
                LANGUAGE plpgsql IMMUTABLE PARALLEL SAFE COST 2000 AS $$
                BEGIN
                  RETURN to_tsvector('pg_catalog.simple'::regconfig,
                    translate(label || ' ' || paint || ' ' || note || ' ' || cause || ' ' || remedy || ' ' || deviation || ' ' || who, '/-_@.:', '      '));
                END $$;
                CREATE INDEX "IX_log_words" ON log USING gin (lowfell_words("Label", "Paint", "Note", "Cause", "Remedy", "Deviation", "Who"));
                """);

            // How many entries there are about each set: another number says that something was done since.
            migrationBuilder.Sql(
                """
                CREATE FUNCTION lowfell_log_mark() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                  INSERT INTO log_marks AS m ("BenchId", "SetId", "Entries")
                  SELECT n."BenchId", p."SetId", count(*) FROM new_entries n
                  JOIN zones z ON z."BenchId" = n."BenchId" AND z."Id" = n."ZoneId"
                  JOIN pieces p ON p."BenchId" = z."BenchId" AND p."Id" = z."PieceId"
                  GROUP BY n."BenchId", p."SetId" ORDER BY p."SetId"
                  ON CONFLICT ("BenchId", "SetId") DO UPDATE SET "Entries" = m."Entries" + excluded."Entries";
                  RETURN NULL;
                END $$;
                CREATE TRIGGER log_mark AFTER INSERT ON log REFERENCING NEW TABLE AS new_entries FOR EACH STATEMENT EXECUTE FUNCTION lowfell_log_mark();
                INSERT INTO log_marks ("BenchId", "SetId", "Entries")
                SELECT l."BenchId", p."SetId", count(*) FROM log l
                JOIN zones z ON z."BenchId" = l."BenchId" AND z."Id" = l."ZoneId"
                JOIN pieces p ON p."BenchId" = z."BenchId" AND p."Id" = z."PieceId"
                GROUP BY l."BenchId", p."SetId";
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("DROP TRIGGER log_mark ON log; DROP FUNCTION lowfell_log_mark(); DROP INDEX \"IX_log_words\"; DROP FUNCTION lowfell_words(text, text, text, text, text, text, text)");
            foreach (var table in Named)
            {
                migrationBuilder.Sql($"DROP INDEX \"IX_{table}_letters\"");
            }

            migrationBuilder.DropTable(
                name: "log_marks");

            migrationBuilder.DropTable(
                name: "scheme_versions");

            migrationBuilder.DropIndex(
                name: "IX_log_BenchId_At_Id",
                table: "log");

            migrationBuilder.DropColumn(
                name: "ChangedAt",
                table: "schemes");

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_At",
                table: "log",
                columns: new[] { "BenchId", "At" });
        }
    }
}
