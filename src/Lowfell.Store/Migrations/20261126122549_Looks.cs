using System;
using System.Collections.Generic;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class Looks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "look_pictures",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Png = table.Column<byte[]>(type: "bytea", nullable: false),
                    UsedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_look_pictures", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_look_pictures_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "meshes",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Glb = table.Column<byte[]>(type: "bytea", nullable: false),
                    UsedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_meshes", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_meshes_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "piece_looks",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    PieceId = table.Column<Guid>(type: "uuid", nullable: false),
                    Kind = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    Zones = table.Column<List<Guid>>(type: "uuid[]", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_piece_looks", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_piece_looks_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_piece_looks_pieces_BenchId_PieceId",
                        columns: x => new { x.BenchId, x.PieceId },
                        principalTable: "pieces",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_look_pictures_UsedAt",
                table: "look_pictures",
                column: "UsedAt");

            migrationBuilder.CreateIndex(
                name: "IX_meshes_UsedAt",
                table: "meshes",
                column: "UsedAt");

            migrationBuilder.CreateIndex(
                name: "IX_piece_looks_BenchId_PieceId",
                table: "piece_looks",
                columns: new[] { "BenchId", "PieceId" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "look_pictures");

            migrationBuilder.DropTable(
                name: "meshes");

            migrationBuilder.DropTable(
                name: "piece_looks");
        }
    }
}
