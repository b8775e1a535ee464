using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Lowfell.Store.Migrations
{
    /// <inheritdoc />
    public partial class ShelfNews : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // The next version is counted from the row as it stands, so that two hosts never give the same one; whoever listens is told.
            migrationBuilder.Sql(
                """
                CREATE FUNCTION lowfell_shelf_news() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                    NEW."ShelfVersion" := OLD."ShelfVersion" + 1;
                    PERFORM pg_notify('lowfell_shelf', NEW."Id" || ' ' || NEW."ShelfVersion");
                    RETURN NEW;
                END $$;
                CREATE TRIGGER shelf_news BEFORE UPDATE OF "ShelfVersion" ON benches FOR EACH ROW EXECUTE FUNCTION lowfell_shelf_news();
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("DROP TRIGGER shelf_news ON benches; DROP FUNCTION lowfell_shelf_news();");
        }
    }
}
