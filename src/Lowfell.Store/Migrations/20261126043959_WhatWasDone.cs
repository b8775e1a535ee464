using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class WhatWasDone : Migration
    {
        private static readonly string[] Marked = ["sets", "pieces", "zones", "schemes", "coats", "log", "plans", "learned_answers"];

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_log_BenchId_ZoneId",
                table: "log");

            migrationBuilder.AddColumn<DateOnly>(
                name: "ReadyBy",
                table: "sets",
                type: "date",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "TaskMark",
                table: "plans",
                type: "character varying(200)",
                maxLength: 200,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<bool>(
                name: "LiesFlat",
                table: "pieces",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<Guid>(
                name: "Press",
                table: "mix_uses",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "BottleId",
                table: "mix_record_lines",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "OfId",
                table: "log",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "Press",
                table: "log",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Taken",
                table: "log",
                type: "text",
                maxLength: 200,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<Guid>(
                name: "ThenLeadId",
                table: "log",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "ThenMin",
                table: "log",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "ThenStation",
                table: "log",
                type: "character varying(40)",
                maxLength: 40,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "ThenTechnique",
                table: "log",
                type: "character varying(40)",
                maxLength: 40,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "WorkedWith",
                table: "log",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "Unsaid");

            migrationBuilder.AddColumn<double>(
                name: "Price",
                table: "bottles",
                type: "double precision",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "learned_answers",
                columns: table => new
                {
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Key = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Follow = table.Column<bool>(type: "boolean", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_learned_answers", x => new { x.BenchId, x.Key });
                    table.ForeignKey(
                        name: "FK_learned_answers_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "work_marks",
                columns: table => new
                {
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Mark = table.Column<long>(type: "bigint", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_work_marks", x => x.BenchId);
                    table.ForeignKey(
                        name: "FK_work_marks_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_ZoneId_CoatId_Pass_Copy",
                table: "log",
                columns: new[] { "BenchId", "ZoneId", "CoatId", "Pass", "Copy" });

            migrationBuilder.CreateIndex(
                name: "IX_log_readings",
                table: "log",
                columns: new[] { "BenchId", "At" },
                descending: new[] { false, true },
                filter: "\"Minutes\" > 0 OR \"SetUpMinutes\" > 0 OR \"Kind\" = 'Dry'");

            // What plans rest on is counted at the end of a transaction, so that no other waits for it in the middle of its own.
            migrationBuilder.Sql(
                """
                CREATE FUNCTION lowfell_mark_work(bench uuid) RETURNS void LANGUAGE plpgsql AS $$
                DECLARE
                  here text := bench || ' ' || pg_current_xact_id();
                BEGIN
                  IF current_setting('lowfell.marked', true) IS DISTINCT FROM here THEN
                    INSERT INTO work_marks AS m ("BenchId", "Mark") SELECT b."Id", 1 FROM benches b WHERE b."Id" = bench
                    ON CONFLICT ("BenchId") DO UPDATE SET "Mark" = m."Mark" + 1;
                    PERFORM set_config('lowfell.marked', here, true);
                  END IF;
                END $$;
                CREATE FUNCTION lowfell_work_mark() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                  PERFORM lowfell_mark_work(coalesce(NEW."BenchId", OLD."BenchId"));
                  RETURN NULL;
                END $$;
                CREATE FUNCTION lowfell_bench_mark() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                  PERFORM lowfell_mark_work(NEW."Id");
                  RETURN NULL;
                END $$;
                CREATE CONSTRAINT TRIGGER work_mark AFTER UPDATE ON benches DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION lowfell_bench_mark();
                """);
            foreach (var table in Marked)
            {
                migrationBuilder.Sql($"CREATE CONSTRAINT TRIGGER work_mark AFTER INSERT OR UPDATE OR DELETE ON {table} DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION lowfell_work_mark()");
            }
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            foreach (var table in Marked)
            {
                migrationBuilder.Sql($"DROP TRIGGER work_mark ON {table}");
            }

            migrationBuilder.Sql("DROP TRIGGER work_mark ON benches; DROP FUNCTION lowfell_work_mark(); DROP FUNCTION lowfell_bench_mark(); DROP FUNCTION lowfell_mark_work(uuid)");
            migrationBuilder.DropTable(
                name: "learned_answers");

            migrationBuilder.DropTable(
                name: "work_marks");

            migrationBuilder.DropIndex(
                name: "IX_log_BenchId_ZoneId_CoatId_Pass_Copy",
                table: "log");

            migrationBuilder.DropIndex(
                name: "IX_log_readings",
                table: "log");

            migrationBuilder.DropColumn(
                name: "ReadyBy",
                table: "sets");

            migrationBuilder.DropColumn(
                name: "TaskMark",
                table: "plans");

            migrationBuilder.DropColumn(
                name: "LiesFlat",
                table: "pieces");

            migrationBuilder.DropColumn(
                name: "Press",
                table: "mix_uses");

            migrationBuilder.DropColumn(
                name: "BottleId",
                table: "mix_record_lines");

            migrationBuilder.DropColumn(
                name: "OfId",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Press",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Taken",
                table: "log");

            migrationBuilder.DropColumn(
                name: "ThenLeadId",
                table: "log");

            migrationBuilder.DropColumn(
                name: "ThenMin",
                table: "log");

            migrationBuilder.DropColumn(
                name: "ThenStation",
                table: "log");

            migrationBuilder.DropColumn(
                name: "ThenTechnique",
                table: "log");

            migrationBuilder.DropColumn(
                name: "WorkedWith",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Price",
                table: "bottles");

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_ZoneId",
                table: "log",
                columns: new[] { "BenchId", "ZoneId" });
        }
    }
}
