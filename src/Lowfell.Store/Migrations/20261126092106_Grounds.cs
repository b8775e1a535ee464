using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class Grounds : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "GroundAId",
                table: "trays",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "GroundBId",
                table: "trays",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Grounds",
                table: "trays",
                type: "integer",
                nullable: false,
                defaultValue: 0);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "GroundAId",
                table: "trays");

            migrationBuilder.DropColumn(
                name: "GroundBId",
                table: "trays");

            migrationBuilder.DropColumn(
                name: "Grounds",
                table: "trays");
        }
    }
}
