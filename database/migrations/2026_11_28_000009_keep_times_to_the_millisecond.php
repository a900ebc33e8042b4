<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

/** PostgreSQL rounds times to what their column says; SQLite keeps what it is given. What came first is told by milliseconds. */
return new class extends Migration
{
    public function up(): void
    {
        if (DB::getDriverName() !== 'pgsql') {
            return;
        }
        $columns = DB::select(
            'select table_name, column_name from information_schema.columns where table_schema = current_schema() '.
                "and data_type = 'timestamp without time zone' and datetime_precision < 3",
        );
        foreach ($columns as $column) {
            DB::statement("alter table \"{$column->table_name}\" alter column \"{$column->column_name}\" type timestamp(3)");
        }
    }

    /** Nothing that is kept is worth less with its milliseconds. */
    public function down(): void
    {
    }
};
