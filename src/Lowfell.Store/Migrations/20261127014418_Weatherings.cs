using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class Weatherings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "MarkKind",
                table: "coats",
                type: "character varying(40)",
                maxLength: 40,
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "MarkStripMm2",
                table: "coats",
                type: "double precision",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "weatherings",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    PieceId = table.Column<Guid>(type: "uuid", nullable: false),
                    Plan = table.Column<string>(type: "text", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_weatherings", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_weatherings_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_weatherings_pieces_BenchId_PieceId",
                        columns: x => new { x.BenchId, x.PieceId },
                        principalTable: "pieces",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_weatherings_BenchId_PieceId",
                table: "weatherings",
                columns: new[] { "BenchId", "PieceId" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "weatherings");

            migrationBuilder.DropColumn(
                name: "MarkKind",
                table: "coats");

            migrationBuilder.DropColumn(
                name: "MarkStripMm2",
                table: "coats");
        }
    }
}
