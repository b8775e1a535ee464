using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class ShelfMixesAmounts : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "CreaseMm",
                table: "zones",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "EdgeMm",
                table: "zones",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CountsAs",
                table: "mixes",
                type: "character varying(40)",
                maxLength: 40,
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "CalibrationId",
                table: "materials",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<double[]>(
                name: "FilmAbsorption",
                table: "materials",
                type: "double precision[]",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "FilmKappa",
                table: "materials",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<double[]>(
                name: "FilmScattering",
                table: "materials",
                type: "double precision[]",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "FilmSurface",
                table: "materials",
                type: "double precision",
                nullable: false,
                defaultValue: 0.0);

            migrationBuilder.AddColumn<double>(
                name: "LowStockMl",
                table: "materials",
                type: "double precision",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "bottles",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    MaterialId = table.Column<Guid>(type: "uuid", nullable: false),
                    SizeMl = table.Column<double>(type: "double precision", nullable: false),
                    LeftMl = table.Column<double>(type: "double precision", nullable: false),
                    OpenedOn = table.Column<DateOnly>(type: "date", nullable: true),
                    Lot = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_bottles", x => x.Id);
                    table.ForeignKey(
                        name: "FK_bottles_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_bottles_materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "calibrations",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    MaterialId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    OverBlack = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    OverWhite = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    DryFilmUm = table.Column<double>(type: "double precision", nullable: false),
                    Absorption = table.Column<double[]>(type: "double precision[]", nullable: false),
                    Scattering = table.Column<double[]>(type: "double precision[]", nullable: false),
                    Surface = table.Column<double>(type: "double precision", nullable: false),
                    Kappa = table.Column<double>(type: "double precision", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_calibrations", x => x.Id);
                    table.ForeignKey(
                        name: "FK_calibrations_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_calibrations_materials_MaterialId",
                        column: x => x.MaterialId,
                        principalTable: "materials",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "mix_records",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    MixId = table.Column<Guid>(type: "uuid", nullable: true),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    CountsAs = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: true),
                    MadeAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    LeftMl = table.Column<double>(type: "double precision", nullable: false),
                    Note = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false),
                    Recipe = table.Column<string>(type: "text", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_mix_records", x => x.Id);
                    table.ForeignKey(
                        name: "FK_mix_records_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_mix_records_mixes_MixId",
                        column: x => x.MixId,
                        principalTable: "mixes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.SetNull);
                });

            migrationBuilder.CreateTable(
                name: "painted",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    PaintedOn = table.Column<DateOnly>(type: "date", nullable: false),
                    SchemeId = table.Column<Guid>(type: "uuid", nullable: true),
                    Note = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false),
                    Stack = table.Column<string>(type: "text", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_painted", x => x.Id);
                    table.ForeignKey(
                        name: "FK_painted_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_painted_schemes_SchemeId",
                        column: x => x.SchemeId,
                        principalTable: "schemes",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.SetNull);
                });

            migrationBuilder.CreateTable(
                name: "tiles",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Plan = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    Painted = table.Column<string>(type: "text", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_tiles", x => x.Id);
                    table.ForeignKey(
                        name: "FK_tiles_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "mix_record_lines",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    RecordId = table.Column<Guid>(type: "uuid", nullable: false),
                    Position = table.Column<int>(type: "integer", nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    MaterialId = table.Column<Guid>(type: "uuid", nullable: true),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Thinner = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: true),
                    Ml = table.Column<double>(type: "double precision", nullable: false),
                    Lot = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Snapshot = table.Column<string>(type: "text", maxLength: 200, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_mix_record_lines", x => x.Id);
                    table.ForeignKey(
                        name: "FK_mix_record_lines_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_mix_record_lines_mix_records_RecordId",
                        column: x => x.RecordId,
                        principalTable: "mix_records",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "mix_uses",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    RecordId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    PieceId = table.Column<Guid>(type: "uuid", nullable: true),
                    Copies = table.Column<int[]>(type: "integer[]", nullable: false),
                    Ml = table.Column<double>(type: "double precision", nullable: false),
                    Note = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_mix_uses", x => x.Id);
                    table.ForeignKey(
                        name: "FK_mix_uses_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_mix_uses_mix_records_RecordId",
                        column: x => x.RecordId,
                        principalTable: "mix_records",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_mix_uses_pieces_PieceId",
                        column: x => x.PieceId,
                        principalTable: "pieces",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.SetNull);
                });

            migrationBuilder.CreateIndex(
                name: "IX_bottles_BenchId",
                table: "bottles",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_bottles_MaterialId",
                table: "bottles",
                column: "MaterialId");

            migrationBuilder.CreateIndex(
                name: "IX_calibrations_BenchId",
                table: "calibrations",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_calibrations_MaterialId",
                table: "calibrations",
                column: "MaterialId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_record_lines_BenchId",
                table: "mix_record_lines",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_mix_record_lines_RecordId",
                table: "mix_record_lines",
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
                name: "IX_painted_BenchId",
                table: "painted",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_painted_SchemeId",
                table: "painted",
                column: "SchemeId");

            migrationBuilder.CreateIndex(
                name: "IX_tiles_BenchId",
                table: "tiles",
                column: "BenchId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "bottles");

            migrationBuilder.DropTable(
                name: "calibrations");

            migrationBuilder.DropTable(
                name: "mix_record_lines");

            migrationBuilder.DropTable(
                name: "mix_uses");

            migrationBuilder.DropTable(
                name: "painted");

            migrationBuilder.DropTable(
                name: "tiles");

            migrationBuilder.DropTable(
                name: "mix_records");

            migrationBuilder.DropColumn(
                name: "CreaseMm",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "EdgeMm",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "CountsAs",
                table: "mixes");

            migrationBuilder.DropColumn(
                name: "CalibrationId",
                table: "materials");

            migrationBuilder.DropColumn(
                name: "FilmAbsorption",
                table: "materials");

            migrationBuilder.DropColumn(
                name: "FilmKappa",
                table: "materials");

            migrationBuilder.DropColumn(
                name: "FilmScattering",
                table: "materials");

            migrationBuilder.DropColumn(
                name: "FilmSurface",
                table: "materials");

            migrationBuilder.DropColumn(
                name: "LowStockMl",
                table: "materials");
        }
    }
}
