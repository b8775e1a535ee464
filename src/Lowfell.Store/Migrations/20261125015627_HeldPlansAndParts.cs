using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class HeldPlansAndParts : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Fitting",
                table: "zones",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                defaultValue: "Free");

            migrationBuilder.AddColumn<double>(
                name: "FitMin",
                table: "pieces",
                type: "double precision",
                nullable: false,
                defaultValue: 5.0);

            migrationBuilder.AddColumn<double>(
                name: "GlueMin",
                table: "pieces",
                type: "double precision",
                nullable: false,
                defaultValue: 60.0);

            migrationBuilder.AddColumn<Guid>(
                name: "PartOfId",
                table: "pieces",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Cause",
                table: "log",
                type: "character varying(2000)",
                maxLength: 2000,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Deviation",
                table: "log",
                type: "character varying(2000)",
                maxLength: 2000,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<Guid>(
                name: "MixRecordId",
                table: "log",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "PaintFraction",
                table: "log",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "PhotoId",
                table: "log",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Remedy",
                table: "log",
                type: "character varying(2000)",
                maxLength: 2000,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "SetUpMinutes",
                table: "log",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Who",
                table: "log",
                type: "character varying(200)",
                maxLength: 200,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "FeedKey",
                table: "benches",
                type: "character varying(200)",
                maxLength: 200,
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "photos",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    At = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Width = table.Column<int>(type: "integer", nullable: false),
                    Height = table.Column<int>(type: "integer", nullable: false),
                    MediaType = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    Bytes = table.Column<byte[]>(type: "bytea", nullable: false),
                    Thumbnail = table.Column<byte[]>(type: "bytea", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_photos", x => x.Id);
                    table.ForeignKey(
                        name: "FK_photos_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "plans",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    MadeAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    Request = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    Lots = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    Summary = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    InForce = table.Column<bool>(type: "boolean", nullable: false),
                    ReplacesId = table.Column<Guid>(type: "uuid", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_plans", x => x.Id);
                    table.ForeignKey(
                        name: "FK_plans_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "solves",
                columns: table => new
                {
                    Id = table.Column<Guid>(type: "uuid", nullable: false),
                    BenchId = table.Column<Guid>(type: "uuid", nullable: false),
                    AskedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    BegunAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    EndedAt = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    Request = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    Seconds = table.Column<double>(type: "double precision", nullable: false),
                    Status = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    CancelWanted = table.Column<bool>(type: "boolean", nullable: false),
                    Progress = table.Column<string>(type: "text", maxLength: 200, nullable: false),
                    PlanId = table.Column<Guid>(type: "uuid", nullable: true),
                    Message = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_solves", x => x.Id);
                    table.ForeignKey(
                        name: "FK_solves_benches_BenchId",
                        column: x => x.BenchId,
                        principalTable: "benches",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_pieces_PartOfId",
                table: "pieces",
                column: "PartOfId");

            migrationBuilder.CreateIndex(
                name: "IX_log_MixRecordId",
                table: "log",
                column: "MixRecordId");

            migrationBuilder.CreateIndex(
                name: "IX_log_PhotoId",
                table: "log",
                column: "PhotoId");

            migrationBuilder.CreateIndex(
                name: "IX_photos_BenchId",
                table: "photos",
                column: "BenchId");

            migrationBuilder.CreateIndex(
                name: "IX_plans_in_force",
                table: "plans",
                column: "BenchId",
                unique: true,
                filter: "\"InForce\"");

            migrationBuilder.CreateIndex(
                name: "IX_solves_BenchId_AskedAt",
                table: "solves",
                columns: new[] { "BenchId", "AskedAt" });

            migrationBuilder.AddForeignKey(
                name: "FK_log_mix_records_MixRecordId",
                table: "log",
                column: "MixRecordId",
                principalTable: "mix_records",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);

            migrationBuilder.AddForeignKey(
                name: "FK_log_photos_PhotoId",
                table: "log",
                column: "PhotoId",
                principalTable: "photos",
                principalColumn: "Id",
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.AddForeignKey(
                name: "FK_pieces_pieces_PartOfId",
                table: "pieces",
                column: "PartOfId",
                principalTable: "pieces",
                principalColumn: "Id",
                onDelete: ReferentialAction.SetNull);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropForeignKey(
                name: "FK_log_mix_records_MixRecordId",
                table: "log");

            migrationBuilder.DropForeignKey(
                name: "FK_log_photos_PhotoId",
                table: "log");

            migrationBuilder.DropForeignKey(
                name: "FK_pieces_pieces_PartOfId",
                table: "pieces");

            migrationBuilder.DropTable(
                name: "photos");

            migrationBuilder.DropTable(
                name: "plans");

            migrationBuilder.DropTable(
                name: "solves");

            migrationBuilder.DropIndex(
                name: "IX_pieces_PartOfId",
                table: "pieces");

            migrationBuilder.DropIndex(
                name: "IX_log_MixRecordId",
                table: "log");

            migrationBuilder.DropIndex(
                name: "IX_log_PhotoId",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Fitting",
                table: "zones");

            migrationBuilder.DropColumn(
                name: "FitMin",
                table: "pieces");

            migrationBuilder.DropColumn(
                name: "GlueMin",
                table: "pieces");

            migrationBuilder.DropColumn(
                name: "PartOfId",
                table: "pieces");

            migrationBuilder.DropColumn(
                name: "Cause",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Deviation",
                table: "log");

            migrationBuilder.DropColumn(
                name: "MixRecordId",
                table: "log");

            migrationBuilder.DropColumn(
                name: "PaintFraction",
                table: "log");

            migrationBuilder.DropColumn(
                name: "PhotoId",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Remedy",
                table: "log");

            migrationBuilder.DropColumn(
                name: "SetUpMinutes",
                table: "log");

            migrationBuilder.DropColumn(
                name: "Who",
                table: "log");

            migrationBuilder.DropColumn(
                name: "FeedKey",
                table: "benches");
        }
    }
}
