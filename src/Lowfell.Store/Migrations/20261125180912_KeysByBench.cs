using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class KeysByBench : Migration
    {
        // Only what points is emptied where its target goes: the bench of the row stays (PostgreSQL 15).
        private static void SetNull(MigrationBuilder migrationBuilder, string table, string name, string column, string target) =>
            migrationBuilder.Sql($"""
                ALTER TABLE {table} ADD CONSTRAINT "{name}" FOREIGN KEY ("BenchId", "{column}") REFERENCES {target} ("BenchId", "Id") ON DELETE SET NULL ("{column}")
                """);

        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_bottles_materials_MaterialId",
                table: "bottles");

            migrationBuilder.DropForeignKey(
                name: "FK_calibrations_materials_MaterialId",
                table: "calibrations");

            migrationBuilder.DropForeignKey(
                name: "FK_coats_materials_MaterialId",
                table: "coats");

            migrationBuilder.DropForeignKey(
                name: "FK_coats_mixes_MixId",
                table: "coats");

            migrationBuilder.DropForeignKey(
                name: "FK_coats_schemes_SchemeId",
                table: "coats");

            migrationBuilder.DropForeignKey(
                name: "FK_log_mix_records_MixRecordId",
                table: "log");

            migrationBuilder.DropForeignKey(
                name: "FK_log_photos_PhotoId",
                table: "log");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_components_materials_MaterialId",
                table: "mix_components");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_components_mixes_InnerMixId",
                table: "mix_components");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_components_mixes_MixId",
                table: "mix_components");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_record_lines_mix_records_RecordId",
                table: "mix_record_lines");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_records_mixes_MixId",
                table: "mix_records");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_uses_mix_records_RecordId",
                table: "mix_uses");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_uses_pieces_PieceId",
                table: "mix_uses");

            migrationBuilder.DropForeignKey(
                name: "FK_painted_schemes_SchemeId",
                table: "painted");

            migrationBuilder.DropForeignKey(
                name: "FK_pieces_pieces_PartOfId",
                table: "pieces");

            migrationBuilder.DropForeignKey(
                name: "FK_pieces_sets_SetId",
                table: "pieces");

            migrationBuilder.DropForeignKey(
                name: "FK_zones_pieces_PieceId",
                table: "zones");

            migrationBuilder.DropForeignKey(
                name: "FK_zones_schemes_SchemeId",
                table: "zones");

            migrationBuilder.DropPrimaryKey(
                name: "PK_zones",
                table: "zones");

            migrationBuilder.DropIndex(
                name: "IX_zones_BenchId",
                table: "zones");

            migrationBuilder.DropIndex(
                name: "IX_zones_PieceId",
                table: "zones");

            migrationBuilder.DropIndex(
                name: "IX_zones_SchemeId",
                table: "zones");

            migrationBuilder.DropPrimaryKey(
                name: "PK_tiles",
                table: "tiles");

            migrationBuilder.DropIndex(
                name: "IX_tiles_BenchId",
                table: "tiles");

            migrationBuilder.DropPrimaryKey(
                name: "PK_solves",
                table: "solves");

            migrationBuilder.DropPrimaryKey(
                name: "PK_sets",
                table: "sets");

            migrationBuilder.DropIndex(
                name: "IX_sets_BenchId",
                table: "sets");

            migrationBuilder.DropPrimaryKey(
                name: "PK_schemes",
                table: "schemes");

            migrationBuilder.DropIndex(
                name: "IX_schemes_BenchId",
                table: "schemes");

            migrationBuilder.DropPrimaryKey(
                name: "PK_room_readings",
                table: "room_readings");

            migrationBuilder.DropPrimaryKey(
                name: "PK_plans",
                table: "plans");

            migrationBuilder.DropPrimaryKey(
                name: "PK_pieces",
                table: "pieces");

            migrationBuilder.DropIndex(
                name: "IX_pieces_BenchId",
                table: "pieces");

            migrationBuilder.DropIndex(
                name: "IX_pieces_PartOfId",
                table: "pieces");

            migrationBuilder.DropIndex(
                name: "IX_pieces_SetId",
                table: "pieces");

            migrationBuilder.DropPrimaryKey(
                name: "PK_photos",
                table: "photos");

            migrationBuilder.DropIndex(
                name: "IX_photos_BenchId",
                table: "photos");

            migrationBuilder.DropPrimaryKey(
                name: "PK_painted",
                table: "painted");

            migrationBuilder.DropIndex(
                name: "IX_painted_BenchId",
                table: "painted");

            migrationBuilder.DropIndex(
                name: "IX_painted_SchemeId",
                table: "painted");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mixes",
                table: "mixes");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mix_uses",
                table: "mix_uses");

            migrationBuilder.DropIndex(
                name: "IX_mix_uses_BenchId",
                table: "mix_uses");

            migrationBuilder.DropIndex(
                name: "IX_mix_uses_PieceId",
                table: "mix_uses");

            migrationBuilder.DropIndex(
                name: "IX_mix_uses_RecordId",
                table: "mix_uses");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mix_records",
                table: "mix_records");

            migrationBuilder.DropIndex(
                name: "IX_mix_records_BenchId",
                table: "mix_records");

            migrationBuilder.DropIndex(
                name: "IX_mix_records_MixId",
                table: "mix_records");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mix_record_lines",
                table: "mix_record_lines");

            migrationBuilder.DropIndex(
                name: "IX_mix_record_lines_BenchId",
                table: "mix_record_lines");

            migrationBuilder.DropIndex(
                name: "IX_mix_record_lines_RecordId",
                table: "mix_record_lines");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mix_components",
                table: "mix_components");

            migrationBuilder.DropIndex(
                name: "IX_mix_components_BenchId",
                table: "mix_components");

            migrationBuilder.DropIndex(
                name: "IX_mix_components_InnerMixId",
                table: "mix_components");

            migrationBuilder.DropIndex(
                name: "IX_mix_components_MaterialId",
                table: "mix_components");

            migrationBuilder.DropIndex(
                name: "IX_mix_components_MixId",
                table: "mix_components");

            migrationBuilder.DropPrimaryKey(
                name: "PK_materials",
                table: "materials");

            migrationBuilder.DropPrimaryKey(
                name: "PK_log",
                table: "log");

            migrationBuilder.DropIndex(
                name: "IX_log_MixRecordId",
                table: "log");

            migrationBuilder.DropIndex(
                name: "IX_log_PhotoId",
                table: "log");

            migrationBuilder.DropPrimaryKey(
                name: "PK_coats",
                table: "coats");

            migrationBuilder.DropIndex(
                name: "IX_coats_BenchId",
                table: "coats");

            migrationBuilder.DropIndex(
                name: "IX_coats_MaterialId",
                table: "coats");

            migrationBuilder.DropIndex(
                name: "IX_coats_MixId",
                table: "coats");

            migrationBuilder.DropPrimaryKey(
                name: "PK_calibrations",
                table: "calibrations");

            migrationBuilder.DropIndex(
                name: "IX_calibrations_BenchId",
                table: "calibrations");

            migrationBuilder.DropIndex(
                name: "IX_calibrations_MaterialId",
                table: "calibrations");

            migrationBuilder.DropPrimaryKey(
                name: "PK_bottles",
                table: "bottles");

            migrationBuilder.DropIndex(
                name: "IX_bottles_BenchId",
                table: "bottles");

            migrationBuilder.DropIndex(
                name: "IX_bottles_MaterialId",
                table: "bottles");

            migrationBuilder.AddColumn<Guid>(
                name: "PartId",
                table: "log",
                type: "uuid",
                nullable: true);

            // A part was named where a coat is: it gets a column of its own.
            migrationBuilder.Sql("""
                UPDATE log SET "PartId" = "CoatId", "CoatId" = NULL
                FROM pieces p WHERE p."Id" = log."CoatId" AND p."BenchId" = log."BenchId"
                """);

            migrationBuilder.AddPrimaryKey(
                name: "PK_zones",
                table: "zones",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_tiles",
                table: "tiles",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_solves",
                table: "solves",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_sets",
                table: "sets",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_schemes",
                table: "schemes",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_room_readings",
                table: "room_readings",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_plans",
                table: "plans",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_pieces",
                table: "pieces",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_photos",
                table: "photos",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_painted",
                table: "painted",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_mixes",
                table: "mixes",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_mix_uses",
                table: "mix_uses",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_mix_records",
                table: "mix_records",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_mix_record_lines",
                table: "mix_record_lines",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_mix_components",
                table: "mix_components",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_materials",
                table: "materials",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_log",
                table: "log",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_coats",
                table: "coats",
                columns: new[] { "BenchId", "SchemeId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_calibrations",
                table: "calibrations",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_bottles",
                table: "bottles",
                columns: new[] { "BenchId", "Id" });

            migrationBuilder.CreateTable(
                name: "devices",
                columns: table => new
                {
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Kind = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Since = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Shows = table.Column<double[]>(type: "double precision[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_devices", x => new { x.BenchId, x.Kind });
                    table.ForeignKey(
                        name: "FK_devices_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_zones_BenchId_PieceId",
                table: "zones",
                columns: new[] { "BenchId", "PieceId" });

            migrationBuilder.CreateIndex(
                name: "IX_zones_BenchId_SchemeId",
                table: "zones",
                columns: new[] { "BenchId", "SchemeId" });

            migrationBuilder.CreateIndex(
                name: "IX_pieces_BenchId_PartOfId",
                table: "pieces",
                columns: new[] { "BenchId", "PartOfId" });

            migrationBuilder.CreateIndex(
                name: "IX_pieces_BenchId_SetId",
                table: "pieces",
                columns: new[] { "BenchId", "SetId" });

            migrationBuilder.CreateIndex(
                name: "IX_painted_BenchId_SchemeId",
                table: "painted",
                columns: new[] { "BenchId", "SchemeId" });

            migrationBuilder.CreateIndex(
                name: "IX_mix_uses_BenchId_PieceId",
                table: "mix_uses",
                columns: new[] { "BenchId", "PieceId" });

            migrationBuilder.CreateIndex(
                name: "IX_mix_uses_BenchId_RecordId",
                table: "mix_uses",
                columns: new[] { "BenchId", "RecordId" });

            migrationBuilder.CreateIndex(
                name: "IX_mix_records_BenchId_MixId",
                table: "mix_records",
                columns: new[] { "BenchId", "MixId" });

            migrationBuilder.CreateIndex(
                name: "IX_mix_record_lines_BenchId_RecordId",
                table: "mix_record_lines",
                columns: new[] { "BenchId", "RecordId" });

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_BenchId_InnerMixId",
                table: "mix_components",
                columns: new[] { "BenchId", "InnerMixId" });

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_BenchId_MaterialId",
                table: "mix_components",
                columns: new[] { "BenchId", "MaterialId" });

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_BenchId_MixId",
                table: "mix_components",
                columns: new[] { "BenchId", "MixId" });

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_MixRecordId",
                table: "log",
                columns: new[] { "BenchId", "MixRecordId" });

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_PartId",
                table: "log",
                columns: new[] { "BenchId", "PartId" });

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_PhotoId",
                table: "log",
                columns: new[] { "BenchId", "PhotoId" });

            migrationBuilder.CreateIndex(
                name: "IX_coats_BenchId_MaterialId",
                table: "coats",
                columns: new[] { "BenchId", "MaterialId" });

            migrationBuilder.CreateIndex(
                name: "IX_coats_BenchId_MixId",
                table: "coats",
                columns: new[] { "BenchId", "MixId" });

            migrationBuilder.CreateIndex(
                name: "IX_calibrations_BenchId_MaterialId",
                table: "calibrations",
                columns: new[] { "BenchId", "MaterialId" });

            migrationBuilder.CreateIndex(
                name: "IX_bottles_BenchId_MaterialId",
                table: "bottles",
                columns: new[] { "BenchId", "MaterialId" });

            migrationBuilder.AddForeignKey(
                name: "FK_bottles_materials_BenchId_MaterialId",
                table: "bottles",
                columns: new[] { "BenchId", "MaterialId" },
                principalTable: "materials",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_calibrations_materials_BenchId_MaterialId",
                table: "calibrations",
                columns: new[] { "BenchId", "MaterialId" },
                principalTable: "materials",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_coats_materials_BenchId_MaterialId",
                table: "coats",
                columns: new[] { "BenchId", "MaterialId" },
                principalTable: "materials",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_coats_mixes_BenchId_MixId",
                table: "coats",
                columns: new[] { "BenchId", "MixId" },
                principalTable: "mixes",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_coats_schemes_BenchId_SchemeId",
                table: "coats",
                columns: new[] { "BenchId", "SchemeId" },
                principalTable: "schemes",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_log_photos_BenchId_PhotoId",
                table: "log",
                columns: new[] { "BenchId", "PhotoId" },
                principalTable: "photos",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_log_pieces_BenchId_PartId",
                table: "log",
                columns: new[] { "BenchId", "PartId" },
                principalTable: "pieces",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_components_materials_BenchId_MaterialId",
                table: "mix_components",
                columns: new[] { "BenchId", "MaterialId" },
                principalTable: "materials",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_components_mixes_BenchId_InnerMixId",
                table: "mix_components",
                columns: new[] { "BenchId", "InnerMixId" },
                principalTable: "mixes",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_components_mixes_BenchId_MixId",
                table: "mix_components",
                columns: new[] { "BenchId", "MixId" },
                principalTable: "mixes",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_record_lines_mix_records_BenchId_RecordId",
                table: "mix_record_lines",
                columns: new[] { "BenchId", "RecordId" },
                principalTable: "mix_records",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_uses_mix_records_BenchId_RecordId",
                table: "mix_uses",
                columns: new[] { "BenchId", "RecordId" },
                principalTable: "mix_records",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_pieces_sets_BenchId_SetId",
                table: "pieces",
                columns: new[] { "BenchId", "SetId" },
                principalTable: "sets",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_zones_pieces_BenchId_PieceId",
                table: "zones",
                columns: new[] { "BenchId", "PieceId" },
                principalTable: "pieces",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_zones_schemes_BenchId_SchemeId",
                table: "zones",
                columns: new[] { "BenchId", "SchemeId" },
                principalTable: "schemes",
                principalColumns: new[] { "BenchId", "Id" },
                onDelete: ReferentialAction.Restrict);

            SetNull(migrationBuilder, "log", "FK_log_mix_records_BenchId_MixRecordId", "MixRecordId", "mix_records");
            SetNull(migrationBuilder, "mix_records", "FK_mix_records_mixes_BenchId_MixId", "MixId", "mixes");
            SetNull(migrationBuilder, "mix_uses", "FK_mix_uses_pieces_BenchId_PieceId", "PieceId", "pieces");
            SetNull(migrationBuilder, "painted", "FK_painted_schemes_BenchId_SchemeId", "SchemeId", "schemes");
            SetNull(migrationBuilder, "pieces", "FK_pieces_pieces_BenchId_PartOfId", "PartOfId", "pieces");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_bottles_materials_BenchId_MaterialId",
                table: "bottles");

            migrationBuilder.DropForeignKey(
                name: "FK_calibrations_materials_BenchId_MaterialId",
                table: "calibrations");

            migrationBuilder.DropForeignKey(
                name: "FK_coats_materials_BenchId_MaterialId",
                table: "coats");

            migrationBuilder.DropForeignKey(
                name: "FK_coats_mixes_BenchId_MixId",
                table: "coats");

            migrationBuilder.DropForeignKey(
                name: "FK_coats_schemes_BenchId_SchemeId",
                table: "coats");

            migrationBuilder.DropForeignKey(
                name: "FK_log_mix_records_BenchId_MixRecordId",
                table: "log");

            migrationBuilder.DropForeignKey(
                name: "FK_log_photos_BenchId_PhotoId",
                table: "log");

            migrationBuilder.DropForeignKey(
                name: "FK_log_pieces_BenchId_PartId",
                table: "log");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_components_materials_BenchId_MaterialId",
                table: "mix_components");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_components_mixes_BenchId_InnerMixId",
                table: "mix_components");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_components_mixes_BenchId_MixId",
                table: "mix_components");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_record_lines_mix_records_BenchId_RecordId",
                table: "mix_record_lines");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_records_mixes_BenchId_MixId",
                table: "mix_records");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_uses_mix_records_BenchId_RecordId",
                table: "mix_uses");

            migrationBuilder.DropForeignKey(
                name: "FK_mix_uses_pieces_BenchId_PieceId",
                table: "mix_uses");

            migrationBuilder.DropForeignKey(
                name: "FK_painted_schemes_BenchId_SchemeId",
                table: "painted");

            migrationBuilder.DropForeignKey(
                name: "FK_pieces_pieces_BenchId_PartOfId",
                table: "pieces");

            migrationBuilder.DropForeignKey(
                name: "FK_pieces_sets_BenchId_SetId",
                table: "pieces");

            migrationBuilder.DropForeignKey(
                name: "FK_zones_pieces_BenchId_PieceId",
                table: "zones");

            migrationBuilder.DropForeignKey(
                name: "FK_zones_schemes_BenchId_SchemeId",
                table: "zones");

            migrationBuilder.DropTable(
                name: "devices");

            migrationBuilder.DropPrimaryKey(
                name: "PK_zones",
                table: "zones");

            migrationBuilder.DropIndex(
                name: "IX_zones_BenchId_PieceId",
                table: "zones");

            migrationBuilder.DropIndex(
                name: "IX_zones_BenchId_SchemeId",
                table: "zones");

            migrationBuilder.DropPrimaryKey(
                name: "PK_tiles",
                table: "tiles");

            migrationBuilder.DropPrimaryKey(
                name: "PK_solves",
                table: "solves");

            migrationBuilder.DropPrimaryKey(
                name: "PK_sets",
                table: "sets");

            migrationBuilder.DropPrimaryKey(
                name: "PK_schemes",
                table: "schemes");

            migrationBuilder.DropPrimaryKey(
                name: "PK_room_readings",
                table: "room_readings");

            migrationBuilder.DropPrimaryKey(
                name: "PK_plans",
                table: "plans");

            migrationBuilder.DropPrimaryKey(
                name: "PK_pieces",
                table: "pieces");

            migrationBuilder.DropIndex(
                name: "IX_pieces_BenchId_PartOfId",
                table: "pieces");

            migrationBuilder.DropIndex(
                name: "IX_pieces_BenchId_SetId",
                table: "pieces");

            migrationBuilder.DropPrimaryKey(
                name: "PK_photos",
                table: "photos");

            migrationBuilder.DropPrimaryKey(
                name: "PK_painted",
                table: "painted");

            migrationBuilder.DropIndex(
                name: "IX_painted_BenchId_SchemeId",
                table: "painted");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mixes",
                table: "mixes");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mix_uses",
                table: "mix_uses");

            migrationBuilder.DropIndex(
                name: "IX_mix_uses_BenchId_PieceId",
                table: "mix_uses");

            migrationBuilder.DropIndex(
                name: "IX_mix_uses_BenchId_RecordId",
                table: "mix_uses");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mix_records",
                table: "mix_records");

            migrationBuilder.DropIndex(
                name: "IX_mix_records_BenchId_MixId",
                table: "mix_records");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mix_record_lines",
                table: "mix_record_lines");

            migrationBuilder.DropIndex(
                name: "IX_mix_record_lines_BenchId_RecordId",
                table: "mix_record_lines");

            migrationBuilder.DropPrimaryKey(
                name: "PK_mix_components",
                table: "mix_components");

            migrationBuilder.DropIndex(
                name: "IX_mix_components_BenchId_InnerMixId",
                table: "mix_components");

            migrationBuilder.DropIndex(
                name: "IX_mix_components_BenchId_MaterialId",
                table: "mix_components");

            migrationBuilder.DropIndex(
                name: "IX_mix_components_BenchId_MixId",
                table: "mix_components");

            migrationBuilder.DropPrimaryKey(
                name: "PK_materials",
                table: "materials");

            migrationBuilder.DropPrimaryKey(
                name: "PK_log",
                table: "log");

            migrationBuilder.DropIndex(
                name: "IX_log_BenchId_MixRecordId",
                table: "log");

            migrationBuilder.DropIndex(
                name: "IX_log_BenchId_PartId",
                table: "log");

            migrationBuilder.DropIndex(
                name: "IX_log_BenchId_PhotoId",
                table: "log");

            migrationBuilder.DropPrimaryKey(
                name: "PK_coats",
                table: "coats");

            migrationBuilder.DropIndex(
                name: "IX_coats_BenchId_MaterialId",
                table: "coats");

            migrationBuilder.DropIndex(
                name: "IX_coats_BenchId_MixId",
                table: "coats");

            migrationBuilder.DropPrimaryKey(
                name: "PK_calibrations",
                table: "calibrations");

            migrationBuilder.DropIndex(
                name: "IX_calibrations_BenchId_MaterialId",
                table: "calibrations");

            migrationBuilder.DropPrimaryKey(
                name: "PK_bottles",
                table: "bottles");

            migrationBuilder.DropIndex(
                name: "IX_bottles_BenchId_MaterialId",
                table: "bottles");

            migrationBuilder.DropColumn(
                name: "PartId",
                table: "log");

            migrationBuilder.AddPrimaryKey(
                name: "PK_zones",
                table: "zones",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_tiles",
                table: "tiles",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_solves",
                table: "solves",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_sets",
                table: "sets",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_schemes",
                table: "schemes",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_room_readings",
                table: "room_readings",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_plans",
                table: "plans",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_pieces",
                table: "pieces",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_photos",
                table: "photos",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_painted",
                table: "painted",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_mixes",
                table: "mixes",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_mix_uses",
                table: "mix_uses",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_mix_records",
                table: "mix_records",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_mix_record_lines",
                table: "mix_record_lines",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_mix_components",
                table: "mix_components",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_materials",
                table: "materials",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_log",
                table: "log",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_coats",
                table: "coats",
                columns: new[] { "SchemeId", "Id" });

            migrationBuilder.AddPrimaryKey(
                name: "PK_calibrations",
                table: "calibrations",
                column: "Id");

            migrationBuilder.AddPrimaryKey(
                name: "PK_bottles",
                table: "bottles",
                column: "Id");

            migrationBuilder.CreateIndex(
                name: "IX_zones_BenchId",
                table: "zones",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_zones_PieceId",
                table: "zones",
                column: "PieceId");

            migrationBuilder.CreateIndex(
                name: "IX_zones_SchemeId",
                table: "zones",
                column: "SchemeId");

            migrationBuilder.CreateIndex(
                name: "IX_tiles_BenchId",
                table: "tiles",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_sets_BenchId",
                table: "sets",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_schemes_BenchId",
                table: "schemes",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_pieces_BenchId",
                table: "pieces",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_pieces_PartOfId",
                table: "pieces",
                column: "PartOfId");

            migrationBuilder.CreateIndex(
                name: "IX_pieces_SetId",
                table: "pieces",
                column: "SetId");

            migrationBuilder.CreateIndex(
                name: "IX_photos_BenchId",
                table: "photos",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_painted_BenchId",
                table: "painted",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_painted_SchemeId",
                table: "painted",
                column: "SchemeId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_uses_BenchId",
                table: "mix_uses",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_uses_PieceId",
                table: "mix_uses",
                column: "PieceId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_uses_RecordId",
                table: "mix_uses",
                column: "RecordId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_records_BenchId",
                table: "mix_records",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_records_MixId",
                table: "mix_records",
                column: "MixId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_record_lines_BenchId",
                table: "mix_record_lines",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_record_lines_RecordId",
                table: "mix_record_lines",
                column: "RecordId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_BenchId",
                table: "mix_components",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_InnerMixId",
                table: "mix_components",
                column: "InnerMixId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_MaterialId",
                table: "mix_components",
                column: "MaterialId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_components_MixId",
                table: "mix_components",
                column: "MixId");

            migrationBuilder.CreateIndex(
                name: "IX_log_MixRecordId",
                table: "log",
                column: "MixRecordId");

            migrationBuilder.CreateIndex(
                name: "IX_log_PhotoId",
                table: "log",
                column: "PhotoId");

            migrationBuilder.CreateIndex(
                name: "IX_coats_BenchId",
                table: "coats",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_coats_MaterialId",
                table: "coats",
                column: "MaterialId");

            migrationBuilder.CreateIndex(
                name: "IX_coats_MixId",
                table: "coats",
                column: "MixId");

            migrationBuilder.CreateIndex(
                name: "IX_calibrations_BenchId",
                table: "calibrations",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_calibrations_MaterialId",
                table: "calibrations",
                column: "MaterialId");

            migrationBuilder.CreateIndex(
                name: "IX_bottles_BenchId",
                table: "bottles",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_bottles_MaterialId",
                table: "bottles",
                column: "MaterialId");

            migrationBuilder.AddForeignKey(
                name: "FK_bottles_materials_MaterialId",
                table: "bottles",
                column: "MaterialId",
                principalTable: "materials",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_calibrations_materials_MaterialId",
                table: "calibrations",
                column: "MaterialId",
                principalTable: "materials",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_coats_materials_MaterialId",
                table: "coats",
                column: "MaterialId",
                principalTable: "materials",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_coats_mixes_MixId",
                table: "coats",
                column: "MixId",
                principalTable: "mixes",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_coats_schemes_SchemeId",
                table: "coats",
                column: "SchemeId",
                principalTable: "schemes",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_log_mix_records_MixRecordId",
                table: "log",
                column: "MixRecordId",
                principalTable: "mix_records",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "FK_log_photos_PhotoId",
                table: "log",
                column: "PhotoId",
                principalTable: "photos",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_components_materials_MaterialId",
                table: "mix_components",
                column: "MaterialId",
                principalTable: "materials",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_components_mixes_InnerMixId",
                table: "mix_components",
                column: "InnerMixId",
                principalTable: "mixes",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_components_mixes_MixId",
                table: "mix_components",
                column: "MixId",
                principalTable: "mixes",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_record_lines_mix_records_RecordId",
                table: "mix_record_lines",
                column: "RecordId",
                principalTable: "mix_records",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_records_mixes_MixId",
                table: "mix_records",
                column: "MixId",
                principalTable: "mixes",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_uses_mix_records_RecordId",
                table: "mix_uses",
                column: "RecordId",
                principalTable: "mix_records",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_mix_uses_pieces_PieceId",
                table: "mix_uses",
                column: "PieceId",
                principalTable: "pieces",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "FK_painted_schemes_SchemeId",
                table: "painted",
                column: "SchemeId",
                principalTable: "schemes",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "FK_pieces_pieces_PartOfId",
                table: "pieces",
                column: "PartOfId",
                principalTable: "pieces",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "FK_pieces_sets_SetId",
                table: "pieces",
                column: "SetId",
                principalTable: "sets",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_zones_pieces_PieceId",
                table: "zones",
                column: "PieceId",
                principalTable: "pieces",
                principalColumn: "Id",
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.AddForeignKey(
                name: "FK_zones_schemes_SchemeId",
                table: "zones",
                column: "SchemeId",
                principalTable: "schemes",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);
        }
    }
}
