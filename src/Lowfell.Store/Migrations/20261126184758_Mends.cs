using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class Mends : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Repairs",
                table: "zones",
                type: "jsonb",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CauseKey",
                table: "log",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Symptom",
                table: "log",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateIndex(
                name: "IX_log_causes",
                table: "log",
                columns: new[] { "BenchId", "Symptom", "CauseKey" },
                filter: "\"CauseKey\" <> ''");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_log_causes",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Repairs",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "CauseKey",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Symptom",
                table: "log");
        }
    }
}
