using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace Frameworks.Data;

/// <summary>The first migration.</summary>
[DbContext(typeof(HarbourContext))]
[Migration("20260301000000_FirstBerths")]
public sealed class FirstBerths : Migration
{
    protected override void Up(MigrationBuilder migrationBuilder) => migrationBuilder.CreateTable(
        "Berths",
        table => new
        {
            Id = table.Column<int>().Annotation("Sqlite:Autoincrement", true),
            Vessel = table.Column<string>(),
        },
        constraints: table => table.PrimaryKey("PK_Berths", row => row.Id));

    protected override void Down(MigrationBuilder migrationBuilder) => migrationBuilder.DropTable("Berths");
}
