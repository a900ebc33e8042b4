<?php

namespace App\Http\Controllers;

use App\Library\Hosts;
use Illuminate\Http\JsonResponse;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\RateRow;

class HostController
{
    public function index(Hosts $hosts): JsonResponse
    {
        return response()->json(['hosts' => array_values(array_map(fn (Host $host): array => [
            'slug' => $host->slug,
            'name' => $host->name,
            'about' => $host->about,
            'recompression' => $host->recompression,
            'asks' => $host->asks->inWords(),
            'highRateAbove' => $host->asks->highRateAbove->label(),
            'rates' => array_map(fn (RateRow $row): array => [
                'shorterSide' => $row->shorterSide,
                'normal' => (string) $row->normal,
                'high' => (string) $row->high,
                'peak' => $row->peak === null ? null : (string) $row->peak,
            ], $host->asks->rates),
        ], $hosts->all()))]);
    }
}
