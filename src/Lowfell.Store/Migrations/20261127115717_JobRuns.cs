using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class JobRuns : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "Losses",
                table: "tray_rolls",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<Guid>(
                name: "Run",
                table: "tray_rolls",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Losses",
                table: "solves",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<Guid>(
                name: "Run",
                table: "solves",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "SeenAt",
                table: "solves",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.CreateIndex(
                name: "IX_tray_rolls_Status",
                table: "tray_rolls",
                column: "Status",
                filter: "\"Status\" IN ('Waiting', 'Running')");

            migrationBuilder.CreateIndex(
                name: "IX_solves_Status",
                table: "solves",
                column: "Status",
                filter: "\"Status\" IN ('Waiting', 'Running')");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_tray_rolls_Status",
                table: "tray_rolls");

            migrationBuilder.DropIndex(
                name: "IX_solves_Status",
                table: "solves");

            migrationBuilder.DropColumn(
                name: "Losses",
                table: "tray_rolls");

            migrationBuilder.DropColumn(
                name: "Run",
                table: "tray_rolls");

            migrationBuilder.DropColumn(
                name: "Losses",
                table: "solves");

            migrationBuilder.DropColumn(
                name: "Run",
                table: "solves");

            migrationBuilder.DropColumn(
                name: "SeenAt",
                table: "solves");
        }
    }
}
