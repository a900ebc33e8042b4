<?php

use Tests\TestCase;

uses(TestCase::class)->in('Feature');
