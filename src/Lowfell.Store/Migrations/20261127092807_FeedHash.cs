using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class FeedHash : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "FeedHash",
                table: "benches",
                type: "character varying(64)",
                maxLength: 64,
                nullable: false,
                defaultValue: "");

            // Calendars that follow go on: the address stays, and what is kept of it opens nothing.
            migrationBuilder.Sql("""UPDATE benches SET "FeedHash" = encode(sha256(convert_to("FeedKey", 'UTF8')), 'hex') WHERE "FeedKey" <> '';""");

            // What waits for the end of the transaction is done now, or the table could not be changed any more.
            migrationBuilder.Sql("SET CONSTRAINTS ALL IMMEDIATE;");

            migrationBuilder.DropColumn(
                name: "FeedKey",
                table: "benches");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "FeedHash",
                table: "benches");

            migrationBuilder.AddColumn<string>(
                name: "FeedKey",
                table: "benches",
                type: "character varying(200)",
                maxLength: 200,
                nullable: false,
                defaultValue: "");
        }
    }
}
