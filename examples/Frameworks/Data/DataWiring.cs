using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;

namespace Frameworks.Data;

/// <summary>Entity Framework Core: contexts come from a pool, each scope has one, and the disposal of the scope returns it.</summary>
public static class DataWiring
{
    public static Wiring Wiring =>
    [
        Singleton.From((IConfiguration configuration) => new DbContextOptionsBuilder<HarbourContext>()
            .UseSqlite($"Data Source={configuration["Database"] ?? "harbour.db"}").Options),
        Singleton.From((DbContextOptions<HarbourContext> options) => new PooledDbContextFactory<HarbourContext>(options))
            .Also<IDbContextFactory<HarbourContext>>()
            .WarmUp(MigrateAsync),
        Scoped.From((IDbContextFactory<HarbourContext> pool) => pool.CreateDbContext()),
        Scoped.Of<BerthLedger>(),
    ];

    private static async Task MigrateAsync(IDbContextFactory<HarbourContext> pool, CancellationToken cancellationToken)
    {
        await using HarbourContext context = await pool.CreateDbContextAsync(cancellationToken);
        await context.Database.MigrateAsync(cancellationToken);
    }
}
