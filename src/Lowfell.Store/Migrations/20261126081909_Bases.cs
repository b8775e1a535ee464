using System;
using System.Collections.Generic;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class Bases : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "LaidCrackleMl",
                table: "pieces",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LaidDripMl",
                table: "pieces",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LaidGlueMl",
                table: "pieces",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LaidGritMl",
                table: "pieces",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LaidPasteMl",
                table: "pieces",
                type: "double precision",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "base_families",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Rules = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    DeletedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_base_families", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_base_families_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "element_boxes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Kind = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    LengthMm = table.Column<double>(type: "double precision", nullable: false),
                    WidthMm = table.Column<double>(type: "double precision", nullable: false),
                    HeightMm = table.Column<double>(type: "double precision", nullable: false),
                    Spread = table.Column<double>(type: "double precision", nullable: false),
                    Count = table.Column<int>(type: "integer", nullable: false),
                    DeletedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_element_boxes", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_element_boxes_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "trays",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    PieceId = table.Column<Guid>(type: "uuid", nullable: false),
                    FamilyId = table.Column<Guid>(type: "uuid", nullable: false),
                    Copies = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    Lacking = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    StonesLaid = table.Column<List<int>>(type: "integer[]", nullable: false),
                    TuftsLaid = table.Column<List<int>>(type: "integer[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_trays", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_trays_base_families_BenchId_FamilyId",
                        columns: x => new { x.BenchId, x.FamilyId },
                        principalTable: "base_families",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_trays_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_trays_pieces_BenchId_PieceId",
                        columns: x => new { x.BenchId, x.PieceId },
                        principalTable: "pieces",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "tray_rolls",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    TrayId = table.Column<Guid>(type: "uuid", nullable: false),
                    Request = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    Status = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Done = table.Column<int>(type: "integer", nullable: false),
                    Of = table.Column<int>(type: "integer", nullable: false),
                    CancelWanted = table.Column<bool>(type: "boolean", nullable: false),
                    AskedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    EndedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    Message = table.Column<string>(type: "character varying(500)", maxLength: 500, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_tray_rolls", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_tray_rolls_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_tray_rolls_trays_BenchId_TrayId",
                        columns: x => new { x.BenchId, x.TrayId },
                        principalTable: "trays",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_tray_rolls_BenchId_TrayId",
                table: "tray_rolls",
                columns: new[] { "BenchId", "TrayId" });

            migrationBuilder.CreateIndex(
                name: "IX_trays_BenchId_FamilyId",
                table: "trays",
                columns: new[] { "BenchId", "FamilyId" });

            migrationBuilder.CreateIndex(
                name: "IX_trays_BenchId_PieceId",
                table: "trays",
                columns: new[] { "BenchId", "PieceId" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "element_boxes");

            migrationBuilder.DropTable(
                name: "tray_rolls");

            migrationBuilder.DropTable(
                name: "trays");

            migrationBuilder.DropTable(
                name: "base_families");

            migrationBuilder.DropColumn(
                name: "LaidCrackleMl",
                table: "pieces");

            migrationBuilder.DropColumn(
                name: "LaidDripMl",
                table: "pieces");

            migrationBuilder.DropColumn(
                name: "LaidGlueMl",
                table: "pieces");

            migrationBuilder.DropColumn(
                name: "LaidGritMl",
                table: "pieces");

            migrationBuilder.DropColumn(
                name: "LaidPasteMl",
                table: "pieces");
        }
    }
}
