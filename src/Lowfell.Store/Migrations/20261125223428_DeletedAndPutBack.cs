using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class DeletedAndPutBack : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_mixes_BenchId_Name",
                table: "mixes");

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "DeletedAt",
                table: "tiles",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "DeletedAt",
                table: "painted",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "DeletedAt",
                table: "mixes",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_mixes_BenchId_Name",
                table: "mixes",
                columns: new[] { "BenchId", "Name" },
                unique: true,
                filter: "\"DeletedAt\" IS NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_mixes_BenchId_Name",
                table: "mixes");

            migrationBuilder.DropColumn(
                name: "DeletedAt",
                table: "tiles");

            migrationBuilder.DropColumn(
                name: "DeletedAt",
                table: "painted");

            migrationBuilder.DropColumn(
                name: "DeletedAt",
                table: "mixes");

            migrationBuilder.CreateIndex(
                name: "IX_mixes_BenchId_Name",
                table: "mixes",
                columns: new[] { "BenchId", "Name" },
                unique: true);
        }
    }
}
