using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class References : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "TargetEdge",
                table: "zones",
                type: "character varying(7)",
                maxLength: 7,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "TargetRecess",
                table: "zones",
                type: "character varying(7)",
                maxLength: 7,
                nullable: true);

            migrationBuilder.CreateTable(
                name: "reference_pictures",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    Version = table.Column<int>(type: "integer", nullable: false),
                    SetId = table.Column<Guid>(type: "uuid", nullable: false),
                    PieceId = table.Column<Guid>(type: "uuid", nullable: true),
                    PhotoId = table.Column<Guid>(type: "uuid", nullable: false),
                    Name = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    GreyX = table.Column<double>(type: "double precision", nullable: true),
                    GreyY = table.Column<double>(type: "double precision", nullable: true),
                    GreyR = table.Column<double>(type: "double precision", nullable: false),
                    GreyG = table.Column<double>(type: "double precision", nullable: false),
                    GreyB = table.Column<double>(type: "double precision", nullable: false),
                    GreyIs = table.Column<string>(type: "character varying(7)", maxLength: 7, nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    DeletedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    Picks = table.Column<string>(type: "jsonb", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_reference_pictures", x => new { x.BenchId, x.Id });
                    table.ForeignKey(
                        name: "FK_reference_pictures_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_reference_pictures_photos_BenchId_PhotoId",
                        columns: x => new { x.BenchId, x.PhotoId },
                        principalTable: "photos",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_reference_pictures_pieces_BenchId_PieceId",
                        columns: x => new { x.BenchId, x.PieceId },
                        principalTable: "pieces",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_reference_pictures_sets_BenchId_SetId",
                        columns: x => new { x.BenchId, x.SetId },
                        principalTable: "sets",
                        principalColumns: new[] { "BenchId", "Id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_reference_pictures_BenchId_PhotoId",
                table: "reference_pictures",
                columns: new[] { "BenchId", "PhotoId" });

            migrationBuilder.CreateIndex(
                name: "IX_reference_pictures_BenchId_PieceId",
                table: "reference_pictures",
                columns: new[] { "BenchId", "PieceId" });

            migrationBuilder.CreateIndex(
                name: "IX_reference_pictures_BenchId_SetId",
                table: "reference_pictures",
                columns: new[] { "BenchId", "SetId" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "reference_pictures");

            migrationBuilder.DropColumn(
                name: "TargetEdge",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "TargetRecess",
                table: "zones");
        }
    }
}
