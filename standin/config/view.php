<?php

return ['paths' => [dirname(__DIR__).'/views'], 'compiled' => storage_path('framework/views')];
