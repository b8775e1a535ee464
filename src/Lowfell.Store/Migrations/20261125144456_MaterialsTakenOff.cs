using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class MaterialsTakenOff : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_materials_BenchId_Name",
                table: "materials");

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "DeletedAt",
                table: "materials",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_materials_BenchId_Name",
                table: "materials",
                columns: new[] { "BenchId", "Name" },
                unique: true,
                filter: "\"DeletedAt\" IS NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_materials_BenchId_Name",
                table: "materials");

            migrationBuilder.DropColumn(
                name: "DeletedAt",
                table: "materials");

            migrationBuilder.CreateIndex(
                name: "IX_materials_BenchId_Name",
                table: "materials",
                columns: new[] { "BenchId", "Name" },
                unique: true);
        }
    }
}
