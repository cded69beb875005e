using Frameworks.Data;
using Grpc.Core;

namespace Frameworks.Departures;

/// <summary>A gRPC service: the host creates it for each call, with services from the scope of the call.</summary>
public sealed class DepartureBoardService(BerthLedger ledger, Clerk clerk) : DepartureBoard.DepartureBoardBase
{
    public override async Task<DepartureReply> Announce(DepartureRequest request, ServerCallContext context) => new()
    {
        Berth = await ledger.EnterAsync(request.Vessel, context.CancellationToken),
        Clerk = clerk.Name,
    };
}
