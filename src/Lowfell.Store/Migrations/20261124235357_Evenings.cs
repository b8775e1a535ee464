using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class Evenings : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Calendar",
                table: "benches",
                type: "text",
                maxLength: 200,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "CalendarVersion",
                table: "benches",
                type: "integer",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<bool>(
                name: "CansFit",
                table: "benches",
                type: "boolean",
                nullable: false,
                defaultValue: true);

            migrationBuilder.AddColumn<double>(
                name: "RoomC",
                table: "benches",
                type: "double precision",
                nullable: false,
                defaultValue: 20.0);

            migrationBuilder.AddColumn<bool>(
                name: "RoomFan",
                table: "benches",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<double>(
                name: "RoomHumidity",
                table: "benches",
                type: "double precision",
                nullable: false,
                defaultValue: 0.5);

            migrationBuilder.AddColumn<string>(
                name: "TimeZone",
                table: "benches",
                type: "character varying(200)",
                maxLength: 200,
                nullable: false,
                defaultValue: "Etc/UTC");

            migrationBuilder.CreateTable(
                name: "log",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Kind = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    ZoneId = table.Column<Guid>(type: "uuid", nullable: false),
                    CoatId = table.Column<Guid>(type: "uuid", nullable: true),
                    Pass = table.Column<int>(type: "integer", nullable: false),
                    Copy = table.Column<int>(type: "integer", nullable: false),
                    Minutes = table.Column<double>(type: "double precision", nullable: true),
                    Paint = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Label = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    RoomC = table.Column<double>(type: "double precision", nullable: false),
                    RoomHumidity = table.Column<double>(type: "double precision", nullable: false),
                    Note = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_log", x => x.Id);
                    table.ForeignKey(
                        name: "FK_log_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "room_readings",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    TemperatureC = table.Column<double>(type: "double precision", nullable: false),
                    Humidity = table.Column<double>(type: "double precision", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_room_readings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_room_readings_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_At",
                table: "log",
                columns: new[] { "BenchId", "At" });

            migrationBuilder.CreateIndex(
                name: "IX_log_BenchId_ZoneId",
                table: "log",
                columns: new[] { "BenchId", "ZoneId" });

            migrationBuilder.CreateIndex(
                name: "IX_room_readings_BenchId_At",
                table: "room_readings",
                columns: new[] { "BenchId", "At" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "log");

            migrationBuilder.DropTable(
                name: "room_readings");

            migrationBuilder.DropColumn(
                name: "Calendar",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "CalendarVersion",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "CansFit",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "RoomC",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "RoomFan",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "RoomHumidity",
                table: "benches");

            migrationBuilder.DropColumn(
                name: "TimeZone",
                table: "benches");
        }
    }
}
