using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class Boards : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "TrialFactor",
                table: "benches",
                type: "double precision",
                nullable: false,
                defaultValue: 1.0);

            migrationBuilder.CreateTable(
                name: "boards",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    SetId = table.Column<Guid>(type: "uuid", nullable: false),
                    Board = table.Column<string>(type: "text", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_boards", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_boards_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_boards_sets_BenchId_SetId",
                        columns: x => new { x.BenchId, x.SetId },
                        principalTable: "sets",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_boards_BenchId_SetId",
                table: "boards",
                columns: new[] { "BenchId", "SetId" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "boards");

            migrationBuilder.DropColumn(
                name: "TrialFactor",
                table: "benches");
        }
    }
}
