<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Payload;
use App\Retention\Retention;
use App\Settings\RetentionSetting;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OuterCrate\Store\Aged;
use OuterCrate\Units\ByteCount;

class RetentionController
{
    /** What limits would delete, before they are saved. */
    #[Operation('retention-preview', request: 'retention-request')]
    public function preview(Request $request, Retention $retention, RetentionSetting $setting): JsonResponse
    {
        $limits = RetentionSetting::limits($setting->checked(Payload::of($request, 'retention-request')['retention']));

        return response()->json(['kinds' => array_map(fn (array $kind): array => [
            'kind' => $kind['kind'],
            'items' => count($kind['kept']),
            'label' => self::label($kind['kept']),
            'deletedItems' => count($kind['exceeding']),
            'deletedLabel' => self::label($kind['exceeding']),
        ], $retention->preview($limits))]);
    }

    /** @param  list<Aged>  $items */
    private static function label(array $items): string
    {
        return (string) new ByteCount(array_sum(array_map(fn (Aged $one): int => $one->bytes, $items)));
    }
}
