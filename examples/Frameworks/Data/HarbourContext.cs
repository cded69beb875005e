using Microsoft.EntityFrameworkCore;

namespace Frameworks.Data;

/// <summary>The database of the harbour: one unit of work has one context.</summary>
public sealed class HarbourContext(DbContextOptions<HarbourContext> options) : DbContext(options)
{
    public DbSet<Berth> Berths => Set<Berth>();
}
